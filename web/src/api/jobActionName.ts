import type { RouteName } from '@zephyrcombe/contract';

/** The routes that change a job and answer with the job as it then is. */
export type JobActionName = Extract<
  RouteName,
  | 'abandonJob'
  | 'keepEvidence'
  | 'editJob'
  | 'editJobHose'
  | 'editJobLine'
  | 'saveItem'
  | 'removeItem'
  | 'editJobJoint'
  | 'seePort'
  | 'quoteJob'
  | 'orderJob'
  | 'deliverJob'
  | 'makeUpHose'
  | 'proveHose'
  | 'checkKit'
  | 'takeReading'
  | 'strikeReading'
  | 'saveTrace'
  | 'removeTrace'
  | 'recordTorque'
  | 'addBleedEvent'
  | 'undoBleedEvent'
  | 'recordFinding'
  | 'strikeFinding'
  | 'setScope'
  | 'chooseLayout'
  | 'finishJob'
>;
