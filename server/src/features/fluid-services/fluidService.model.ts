import type { FluidService } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  calendarDate,
  key,
  optionalCalendarDate,
  optionalQuantity,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
  whole,
} from '../../database/columns.ts';

export type FluidServiceRow = Row<Omit<FluidService, 'circuitName'> & { vehicleId: string }>;

export const defineFluidService = (sequelize: Sequelize) =>
  sequelize.define<FluidServiceRow>(
    'fluidService',
    {
      id: key(),
      vehicleId: reference(),
      circuitId: reference(),
      jobId: optionalReference(),
      servicedOn: calendarDate(),
      distance_m: optionalQuantity(),
      grade: text(),
      batch: text(),
      bottleOpenedOn: optionalCalendarDate(),
      quantity_m3: optionalQuantity(),
      oldColour: optionalText(),
      oldWaterFraction: optionalQuantity(),
      intervalMonths: whole(),
      intervalDistance_m: optionalQuantity(),
      dueOn: calendarDate(),
      dueDistance_m: optionalQuantity(),
      by: text(),
      byId: optionalReference(),
    },
    plainTable('fluid_service'),
  );
