import type { Component, Hose, Joint, Port, Vehicle } from '@zephyrcombe/contract';
import type { FluidGrade } from '@zephyrcombe/core';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  flag,
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
export type VehicleRow = Row<Vehicle & { shopId: string }>;
export type CircuitRow = Row<
  { id: string; vehicleId: string; name: string; fluidGrade: FluidGrade; version: number } & Placed
>;
export type ComponentRow = Row<Component & Placed>;
export type PortRow = Row<Port & Placed>;
export type JointRow = Row<Joint & Placed>;
export type HoseRow = Row<Hose & Placed>;

export const defineVehicle = (sequelize: Sequelize) =>
  sequelize.define<VehicleRow>(
    'vehicle',
    {
      id: key(),
      shopId: reference(),
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
      masterBore_m: optionalQuantity(),
      leverStroke_m: optionalQuantity(),
      leverRatio: optionalQuantity(),
      usable_m3: optionalQuantity(),
      position: whole(),
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
      position: whole(),
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
      torque: json('torque'),
      position: whole(),
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
      length_m: quantity(),
      bore_m: quantity(),
      endA: json('endA'),
      endB: json('endB'),
      clocking_rad: optionalQuantity(),
      madeOn: optionalCalendarDate(),
      position: whole(),
      version: version(),
    },
    plainTable('hose'),
  );
