/** Routes of vehicles, their circuits and corners, and what is due. */
import { ADDRESSES } from '../addresses.ts';
import { z } from 'zod';
import { Id, Note, Version } from '../entities/common.ts';
import {
  DueItemSchema,
  ListedVehicleSchema,
  FluidServiceSchema,
  VehicleDetailSchema,
} from '../entities/job.ts';
import { HydraulicsSchema, MOST_CIRCUITS, VehicleEntrySchema } from '../entities/vehicle.ts';
import { CornerSchema, SavedCornerSchema } from '../entities/route.ts';
import { MendSchema, VehicleDocumentSchema } from '../formats/vehicleDocument.ts';
import { route, page, PAGE, Search } from './route.ts';

const VehicleParams = z.strictObject({ vehicleId: Id });
const CircuitParams = z.strictObject({ vehicleId: Id, circuitId: Id });
const CornerParams = z.strictObject({ vehicleId: Id, cornerId: Id });
const Corners = z.strictObject({ items: z.array(SavedCornerSchema) });
export const VEHICLE_ROUTES = {
  listDue: route({
    ...ADDRESSES.listDue,
    summary: 'What is due, most urgent first, a page at a time',
    query: z.strictObject(PAGE),
    reply: page(DueItemSchema),
  }),
  createVehicle: route({
    ...ADDRESSES.createVehicle,
    summary: 'Enter a vehicle with its circuits',
    body: z.strictObject({
      /** Chosen by who asks: the same vehicle sent twice is one vehicle. */
      id: Id,
      vehicle: VehicleEntrySchema,
      circuits: z.array(HydraulicsSchema).max(MOST_CIRCUITS),
    }),
    reply: VehicleDetailSchema,
  }),
  importVehicle: route({
    ...ADDRESSES.importVehicle,
    summary: 'Read a vehicle document; with tryOnly, say what it holds and save nothing',
    body: z.strictObject({ id: Id, document: z.unknown(), tryOnly: z.boolean().default(false) }),
    reply: z.strictObject({
      vehicleId: Id.nullable(),
      document: VehicleDocumentSchema,
      mended: z.array(MendSchema),
    }),
  }),
  exportVehicle: route({
    ...ADDRESSES.exportVehicle,
    summary: 'The vehicle with its hydraulics as a document',
    params: VehicleParams,
    reply: VehicleDocumentSchema,
  }),
  editVehicle: route({
    ...ADDRESSES.editVehicle,
    summary: 'Change what is known of a vehicle',
    params: VehicleParams,
    body: VehicleEntrySchema.partial().extend({
      version: Version,
      /** Why less is written than the vehicle has on record. */
      setBackBecause: Note.optional(),
    }),
    reply: VehicleDetailSchema,
  }),
  removeVehicle: route({
    ...ADDRESSES.removeVehicle,
    summary: 'Remove a vehicle that has no jobs and no services yet',
    params: VehicleParams,
    reply: z.strictObject({ removed: Id }),
  }),
  addCircuit: route({
    ...ADDRESSES.addCircuit,
    summary: 'Add circuits to a vehicle',
    params: VehicleParams,
    body: z.strictObject({
      /** Of the first of them, chosen by who asks: the same sent twice is added once. */
      id: Id,
      circuits: z.array(HydraulicsSchema).min(1).max(MOST_CIRCUITS),
    }),
    reply: VehicleDetailSchema,
  }),
  saveCircuit: route({
    ...ADDRESSES.saveCircuit,
    summary: 'Save a circuit as it stands on the drawing',
    params: CircuitParams,
    body: z.strictObject({ version: Version, hydraulics: HydraulicsSchema }),
    reply: VehicleDetailSchema,
  }),
  removeCircuit: route({
    ...ADDRESSES.removeCircuit,
    summary: 'Remove a circuit that has no jobs and no services yet',
    params: CircuitParams,
    reply: VehicleDetailSchema,
  }),
  listCorners: route({
    ...ADDRESSES.listCorners,
    summary: 'Corners of a vehicle: how each moves, what stands in the way, where its hoses run',
    params: VehicleParams,
    reply: Corners,
  }),
  addCorner: route({
    ...ADDRESSES.addCorner,
    summary: 'Add a corner to a vehicle; the same id twice is one corner',
    params: VehicleParams,
    body: z.strictObject({ id: Id, corner: CornerSchema }),
    reply: Corners,
  }),
  saveCorner: route({
    ...ADDRESSES.saveCorner,
    summary: 'Save a corner over the version it was read at',
    params: CornerParams,
    body: z.strictObject({ version: Version, corner: CornerSchema }),
    reply: Corners,
  }),
  removeCorner: route({
    ...ADDRESSES.removeCorner,
    summary: 'Remove a corner',
    params: CornerParams,
    reply: Corners,
  }),
  listVehicles: route({
    ...ADDRESSES.listVehicles,
    summary: 'Vehicles by name, a page at a time',
    query: z.strictObject({
      /** In the name, the plate or the kind. */
      search: Search,
      ...PAGE,
    }),
    reply: page(ListedVehicleSchema),
  }),
  listServices: route({
    ...ADDRESSES.listServices,
    summary: 'A vehicle’s fluid services, newest first, a page at a time',
    params: VehicleParams,
    query: z.strictObject(PAGE),
    reply: page(FluidServiceSchema),
  }),
  getVehicle: route({
    ...ADDRESSES.getVehicle,
    summary: 'One vehicle: hydraulics, the newest services and jobs',
    params: z.strictObject({ vehicleId: Id }),
    reply: VehicleDetailSchema,
  }),
} as const;
