import type { Component, Hose, Joint, Port, Vehicle, VehicleChange } from '@zephyrcombe/contract';
import type { FluidGrade } from '@zephyrcombe/core';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  flag,
  instant,
  json,
  key,
  optionalCalendarDate,
  optionalQuantity,
  optionalReference,
  optionalText,
  optionalWhole,
  plainTable,
  quantity,
  reference,
  text,
  version,
  whole,
} from '../../database/columns.ts';

/** `position` keeps the order in which a person entered the parts: drawings and equal distances follow it. */
interface Placed {
  position: number;
}
/** A part that was taken off the drawing while jobs still name it: kept for them, shown to nobody else. */
interface Retirable extends Placed {
  retired: boolean;
}
export type VehicleRow = Row<Vehicle>;
export type CircuitRow = Row<
  { id: string; vehicleId: string; name: string; fluidGrade: FluidGrade; version: number } & Placed
>;
export type ComponentRow = Row<Component & Retirable>;
export type PortRow = Row<Port & Retirable>;
export type JointRow = Row<Joint & Retirable>;
export type HoseRow = Row<Hose & Retirable>;

export type CircuitDueRow = Row<{
  circuitId: string;
  lastServicedOn: string | null;
  dueOn: string | null;
  dueDistance_m: number | null;
  /** Place in DUE_STATES by distance alone. */
  byDistance: number;
}>;

export const defineCircuitDue = (sequelize: Sequelize) =>
  sequelize.define<CircuitDueRow>(
    'circuitDue',
    {
      circuitId: key(),
      lastServicedOn: optionalCalendarDate(),
      dueOn: optionalCalendarDate(),
      dueDistance_m: optionalQuantity(),
      byDistance: whole(),
    },
    plainTable('circuit_due'),
  );

export const defineVehicle = (sequelize: Sequelize) =>
  sequelize.define<VehicleRow>(
    'vehicle',
    {
      id: key(),
      name: text(),
      kind: text(),
      plate: optionalText(),
      use: text(),
      abs: flag('abs'),
      linkedBrakes: flag('linkedBrakes'),
      electricBooster: flag('electricBooster'),
      distance_m: optionalQuantity(),
      makerIntervalMonths: optionalWhole(),
      makerIntervalDistance_m: optionalQuantity(),
      note: text(),
      leftOpen: json('leftOpen', true),
      version: version(),
    },
    plainTable('vehicle'),
  );

export const defineCircuit = (sequelize: Sequelize) =>
  sequelize.define<CircuitRow>(
    'circuit',
    {
      id: key(),
      vehicleId: reference(),
      name: text(),
      fluidGrade: text(),
      position: whole(),
      version: version(),
    },
    plainTable('circuit'),
  );

export const defineComponent = (sequelize: Sequelize) =>
  sequelize.define<ComponentRow>(
    'component',
    {
      id: key(),
      circuitId: reference(),
      kind: text(),
      name: text(),
      body: text(),
      attachedTo: optionalReference(),
      sameAs: optionalReference(),
      masterBore_m: optionalQuantity(),
      leverStroke_m: optionalQuantity(),
      leverRatio: optionalQuantity(),
      usable_m3: optionalQuantity(),
      height_m: optionalQuantity(),
      known: json('known', true),
      position: whole(),
      retired: flag('retired'),
      version: version(),
    },
    plainTable('component'),
  );

export const definePort = (sequelize: Sequelize) =>
  sequelize.define<PortRow>(
    'port',
    {
      id: key(),
      componentId: reference(),
      name: text(),
      thread: text(),
      gender: text(),
      seat: text(),
      depth_m: optionalQuantity(),
      seatMaterial: optionalText(),
      known: json('known', true),
      position: whole(),
      retired: flag('retired'),
      version: version(),
    },
    plainTable('port'),
  );

export const defineJoint = (sequelize: Sequelize) =>
  sequelize.define<JointRow>(
    'joint',
    {
      id: key(),
      circuitId: reference(),
      portId: reference(),
      componentId: reference(),
      name: text(),
      seal: text(),
      bolt: json('bolt', true),
      washer: json('washer', true),
      eyeThickness_m: optionalQuantity(),
      hexagon_m: optionalQuantity(),
      torque: json('torque'),
      furtherTorques: json('furtherTorques'),
      known: json('known', true),
      position: whole(),
      retired: flag('retired'),
      version: version(),
    },
    plainTable('joint'),
  );

export const defineHose = (sequelize: Sequelize) =>
  sequelize.define<HoseRow>(
    'hose',
    {
      id: key(),
      circuitId: reference(),
      name: text(),
      fromJointId: reference(),
      toJointId: reference(),
      kind: text(),
      length_m: quantity(),
      estimated: flag('estimated'),
      bore_m: quantity(),
      construction: text(),
      rise_m: optionalQuantity(),
      endA: json('endA'),
      endB: json('endB'),
      clocking_rad: optionalQuantity(),
      madeOn: optionalCalendarDate(),
      marking: optionalText(),
      lineMade: json('lineMade', true),
      known: json('known', true),
      position: whole(),
      retired: flag('retired'),
      version: version(),
    },
    plainTable('hose'),
  );

export interface VehicleChangeColumns {
  id: string;
  sequence?: number;
  vehicleId: string;
  at: Date;
  by: string;
  byId: string | null;
  kind: VehicleChange['kind'];
  detail: Record<string, unknown>;
}

/** The history of a vehicle: lines are added, never changed. */
export const defineVehicleChange = (sequelize: Sequelize) =>
  sequelize.define<Row<VehicleChangeColumns>>(
    'vehicleChange',
    {
      sequence: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: { type: DataTypes.UUID, allowNull: false },
      vehicleId: reference(),
      at: instant(),
      by: text(),
      byId: optionalReference(),
      kind: text(),
      detail: json('detail'),
    },
    plainTable('vehicle_change'),
  );
