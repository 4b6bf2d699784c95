/** What each route of the table asks for: a route without an entry does not compile. */
import type { Action } from './roles.ts';
import type { RouteName } from './routes.ts';

/** Open to who is not signed in: signing in, and opening an empty book. */
export type Access = Action | 'anybody';

export const ROUTE_ACTIONS: Readonly<Record<RouteName, Access>> = {
  getSession: 'anybody',
  signIn: 'anybody',
  setUp: 'anybody',
  signOut: 'keepOwn',
  setUnits: 'keepOwn',
  changePassphrase: 'keepOwn',
  listSignIns: 'keepOwn',
  endSignIn: 'keepOwn',

  listPeople: 'keepPeople',
  addPerson: 'keepPeople',
  editPerson: 'keepPeople',
  resetPassphrase: 'keepPeople',

  getShop: 'read',
  editShop: 'keepShop',
  listWrenches: 'read',
  addWrench: 'keepShop',
  editWrench: 'keepShop',
  getStock: 'read',
  countStock: 'countStock',

  listVehicles: 'read',
  listServices: 'read',
  getVehicle: 'read',
  exportVehicle: 'read',
  listCorners: 'read',
  createVehicle: 'enterVehicles',
  importVehicle: 'enterVehicles',
  editVehicle: 'enterVehicles',
  addCircuit: 'enterVehicles',
  saveCircuit: 'enterVehicles',
  addCorner: 'enterVehicles',
  saveCorner: 'enterVehicles',
  removeVehicle: 'removeVehicles',
  removeCircuit: 'removeVehicles',
  removeCorner: 'removeVehicles',

  listDue: 'read',
  listJobs: 'read',
  getJob: 'read',
  getJobCautions: 'read',
  getJobLog: 'read',
  startJob: 'work',
  editJob: 'work',
  // Where the brake was opened, it asks for more.
  abandonJob: 'work',
  keepEvidence: 'work',
  editJobHose: 'work',
  editJobJoint: 'work',
  makeUpHose: 'work',
  proveHose: 'work',
  checkKit: 'work',
  printLabel: 'work',
  quoteJob: 'work',
  orderJob: 'order',
  deliverJob: 'work',
  takeReading: 'work',
  saveTrace: 'work',
  removeTrace: 'work',
  // Another person's reading or finding asks for more.
  strikeReading: 'work',
  recordFinding: 'work',
  strikeFinding: 'work',
  setScope: 'work',
  chooseLayout: 'work',
  recordTorque: 'work',
  addBleedEvent: 'work',
  undoBleedEvent: 'work',
  finishJob: 'signOff',
};
