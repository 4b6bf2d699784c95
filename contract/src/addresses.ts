/** Where each route of the table is: all that a browser needs to ask it. Kept apart from the shapes, which it does not load. */
export interface Address {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly path: string;
}

/** Header of a request: when what it tells was done, as an ISO 8601 instant by the clock of who did it. */
export const ACTED_AT = 'acted-at';

export const ADDRESSES = {
  getSession: { method: 'GET', path: '/api/session' },
  signIn: { method: 'POST', path: '/api/session' },
  signOut: { method: 'DELETE', path: '/api/session' },
  setUnits: { method: 'PUT', path: '/api/me/units' },
  setUp: { method: 'POST', path: '/api/set-up' },
  changePassphrase: { method: 'PUT', path: '/api/me/passphrase' },
  listSignIns: { method: 'GET', path: '/api/sign-ins' },
  endSignIn: { method: 'DELETE', path: '/api/sign-ins/:signInId' },
  listPeople: { method: 'GET', path: '/api/people' },
  addPerson: { method: 'POST', path: '/api/people' },
  editPerson: { method: 'PATCH', path: '/api/people/:personId' },
  resetPassphrase: { method: 'PUT', path: '/api/people/:personId/passphrase' },
  listWrenches: { method: 'GET', path: '/api/wrenches' },
  getStepTimes: { method: 'GET', path: '/api/shop/step-times' },
  addWrench: { method: 'POST', path: '/api/wrenches' },
  editWrench: { method: 'PATCH', path: '/api/wrenches/:wrenchId' },
  getShop: { method: 'GET', path: '/api/shop' },
  editShop: { method: 'PATCH', path: '/api/shop' },
  listJobs: { method: 'GET', path: '/api/jobs' },
  startJob: { method: 'POST', path: '/api/jobs' },
  getJob: { method: 'GET', path: '/api/jobs/:jobId' },
  getJobCautions: { method: 'GET', path: '/api/jobs/:jobId/cautions' },
  getJobLog: { method: 'GET', path: '/api/jobs/:jobId/log' },
  abandonJob: { method: 'POST', path: '/api/jobs/:jobId/abandon' },
  keepEvidence: { method: 'POST', path: '/api/jobs/:jobId/evidence' },
  editJob: { method: 'PATCH', path: '/api/jobs/:jobId' },
  editJobHose: { method: 'PATCH', path: '/api/jobs/:jobId/hoses/:hoseId' },
  seePort: { method: 'POST', path: '/api/jobs/:jobId/joints/:jointId/seen' },
  editJobLine: { method: 'PATCH', path: '/api/jobs/:jobId/lines/:lineId' },
  saveItem: { method: 'PUT', path: '/api/jobs/:jobId/items/:itemId' },
  removeItem: { method: 'POST', path: '/api/jobs/:jobId/items/:itemId/remove' },
  editJobJoint: { method: 'PATCH', path: '/api/jobs/:jobId/joints/:jointId' },
  makeUpHose: { method: 'POST', path: '/api/jobs/:jobId/hoses/:hoseId/make-up' },
  proveHose: { method: 'POST', path: '/api/jobs/:jobId/hoses/:hoseId/proof-tests' },
  checkKit: { method: 'PUT', path: '/api/jobs/:jobId/hoses/:hoseId/kit' },
  printLabel: { method: 'POST', path: '/api/jobs/:jobId/hoses/:hoseId/label' },
  quoteJob: { method: 'POST', path: '/api/jobs/:jobId/supplier/quote' },
  orderJob: { method: 'POST', path: '/api/jobs/:jobId/supplier/order' },
  deliverJob: { method: 'POST', path: '/api/jobs/:jobId/supplier/delivery' },
  getKnownEnds: { method: 'GET', path: '/api/ends' },
  getStock: { method: 'GET', path: '/api/shop/stock' },
  countStock: { method: 'PUT', path: '/api/shop/stock' },
  takeReading: { method: 'POST', path: '/api/jobs/:jobId/readings' },
  saveTrace: { method: 'PUT', path: '/api/jobs/:jobId/traces/:traceId' },
  removeTrace: { method: 'DELETE', path: '/api/jobs/:jobId/traces/:traceId' },
  strikeReading: { method: 'POST', path: '/api/jobs/:jobId/readings/:readingId/strike' },
  recordFinding: { method: 'POST', path: '/api/jobs/:jobId/findings' },
  strikeFinding: { method: 'POST', path: '/api/jobs/:jobId/findings/:findingId/strike' },
  setScope: { method: 'PUT', path: '/api/jobs/:jobId/scope' },
  chooseLayout: { method: 'POST', path: '/api/jobs/:jobId/layout' },
  getWrenchLink: { method: 'GET', path: '/api/torque-wrench' },
  startPull: { method: 'POST', path: '/api/jobs/:jobId/pulls' },
  getPull: { method: 'GET', path: '/api/jobs/:jobId/pulls/:pullId' },
  simulatePull: { method: 'POST', path: '/api/jobs/:jobId/pulls/:pullId/simulate' },
  leavePull: { method: 'POST', path: '/api/jobs/:jobId/pulls/:pullId/leave' },
  getFitPlan: { method: 'GET', path: '/api/jobs/:jobId/fit-plan' },
  recordByFeel: { method: 'POST', path: '/api/jobs/:jobId/by-feel' },
  takeFitSteps: { method: 'POST', path: '/api/jobs/:jobId/fit-steps' },
  undoFitStep: { method: 'DELETE', path: '/api/jobs/:jobId/fit-steps/:stepId' },
  sayFitFact: { method: 'POST', path: '/api/jobs/:jobId/fit-facts' },
  recordTorque: { method: 'POST', path: '/api/jobs/:jobId/torque-records' },
  addBleedEvent: { method: 'POST', path: '/api/jobs/:jobId/nipples/:nippleId/events' },
  undoBleedEvent: { method: 'DELETE', path: '/api/jobs/:jobId/nipples/:nippleId/events/:eventId' },
  finishJob: { method: 'POST', path: '/api/jobs/:jobId/finish' },
  putPhoto: { method: 'PUT', path: '/api/jobs/:jobId/photos/:subject/:subjectId/:photoId' },
  getPhoto: { method: 'GET', path: '/api/jobs/:jobId/photos/:photoId' },
  getOrderFile: { method: 'GET', path: '/api/jobs/:jobId/order/:file' },
  getLabelFile: { method: 'GET', path: '/api/jobs/:jobId/hoses/:hoseId/label/:file' },
  drawTemplates: { method: 'POST', path: '/api/drawings/templates/:format' },
  drawHardLine: { method: 'POST', path: '/api/drawings/hard-line/:format' },
  listDue: { method: 'GET', path: '/api/due' },
  createVehicle: { method: 'POST', path: '/api/vehicles' },
  importVehicle: { method: 'POST', path: '/api/vehicles/import' },
  exportVehicle: { method: 'GET', path: '/api/vehicles/:vehicleId/document' },
  editVehicle: { method: 'PATCH', path: '/api/vehicles/:vehicleId' },
  removeVehicle: { method: 'DELETE', path: '/api/vehicles/:vehicleId' },
  addCircuit: { method: 'POST', path: '/api/vehicles/:vehicleId/circuits' },
  saveCircuit: { method: 'PUT', path: '/api/vehicles/:vehicleId/circuits/:circuitId' },
  removeCircuit: { method: 'DELETE', path: '/api/vehicles/:vehicleId/circuits/:circuitId' },
  listCorners: { method: 'GET', path: '/api/vehicles/:vehicleId/corners' },
  addCorner: { method: 'POST', path: '/api/vehicles/:vehicleId/corners' },
  saveCorner: { method: 'PUT', path: '/api/vehicles/:vehicleId/corners/:cornerId' },
  removeCorner: { method: 'DELETE', path: '/api/vehicles/:vehicleId/corners/:cornerId' },
  listVehicles: { method: 'GET', path: '/api/vehicles' },
  listServices: { method: 'GET', path: '/api/vehicles/:vehicleId/services' },
  getVehicle: { method: 'GET', path: '/api/vehicles/:vehicleId' },
} as const satisfies Record<string, Address>;

/** A route's address with its parameters in place: `addressOf('getJob', { jobId })`. */
export function addressOf(
  name: keyof typeof ADDRESSES,
  params: Readonly<Record<string, string>> = {},
): string {
  return ADDRESSES[name].path.replace(/:(\w+)/g, (_match, key: string) => {
    const value = params[key];
    if (value === undefined) throw new Error(`The address of ${name} needs ${key}`);
    return encodeURIComponent(value);
  });
}
