/** Every sentence a person reads: codes and figures in, words out. */
export { clockingConvention, clockingLabel, clockingText } from './clocking.ts';
export { MARKING_NOTES, MARKING_QUESTION } from './marking.ts';
export { kitReasonText } from './kit.ts';
export { ACTION_NAMES, ROLE_NAMES, whoMay } from './roles.ts';
export type { CautionText } from './cautions.ts';
export { cautionText } from './cautions.ts';
export { parseFailureText, problemText } from './problems.ts';
export type { VehicleWords } from './checks.ts';
export {
  ANY_VEHICLE,
  firstOutingText,
  ABANDON_REFUSALS,
  FIT_CHECK_NAMES,
  LINES_OFFERED,
  handoverNames,
  POSE_CHECK_NAMES,
  vehicleWords,
  WITNESS_MARK_NAMES,
} from './checks.ts';
export {
  ACCESS_NAMES,
  THREAD_STATE_NAMES,
  CLEANER_NAMES,
  CORNER_NAMES,
  DRIVER_NAMES,
  FIT_FACT_NAMES,
  HOLD_KIND_NAMES,
  KEPT_NAMES,
  RHYTHM_NAMES,
  RULE_REASONS,
  RULE_REMEDIES,
  SEIZED_WAY_NAMES,
  stepDone,
  stepHow,
  stepTitle,
  TRIAL_WASHER_NAMES,
} from './fitting.ts';
export { PULL_FINDING_TEXTS, PULL_UNITS } from './pulls.ts';
export { fieldText } from './fields.ts';
export { lowerFirst } from './lowerFirst.ts';
export type { Writer } from './writer.ts';
export { createWriter, writeDate } from './writer.ts';
export type { FurtherText } from './threads.ts';
export {
  CONDITION_NAMES,
  furtherText,
  GENDER_NAMES,
  OUTCOME_NAMES,
  swapText,
  TOOL_NAMES,
  USE_NAMES,
} from './threads.ts';
export {
  AID_NAMES,
  ALONG_NAMES,
  ALONG_REASON_NAMES,
  BEND_PLANE_NAMES,
  BODY_NAMES,
  FACT_NAMES,
  HOW_KNOWN_NAMES,
  knowingText,
  ORIGIN_NAMES,
  BOLT_CARRIES_NAMES,
  BLEED_ASSUMED_NAMES,
  HOLD_WORDS,
  BLEED_MISSING_NAMES,
  BOLT_STATE_NAMES,
  LEFT_JOINT_WORDS,
  BOLT_VERDICTS,
  BRAID_NAMES,
  BUILD_REASON_NAMES,
  COMPONENT_NAMES,
  COVER_NAMES,
  datumName,
  FIXING_NAMES,
  FLARE_FORM_NAMES,
  ITEM_NAMES,
  KIND_NAMES,
  KIT_ITEM_NAMES,
  KIT_VERDICT_NAMES,
  LINE_MATERIAL_NAMES,
  LINER_NAMES,
  listOf,
  LOG_NAMES,
  LUBRICANT_NAMES,
  MAKE_UP_STEP_NAMES,
  MATERIAL_NAMES,
  METAL_PAIR_NAMES,
  OUTFLOW_NAMES,
  POINT_NAMES,
  POSE_NAMES,
  PROOF_FAULT_NAMES,
  PROOF_MEDIUM_NAMES,
  SEAL_NAMES,
  SEAT_NAMES,
  SOURCE_KIND_NAMES,
  STAGE_NAMES,
  TAKE_OFF_SOURCE_NAMES,
  TORQUE_PART_NAMES,
  torqueSourceName,
  VEHICLE_CAUTION_TEXTS,
} from './names.ts';
export {
  CONDITION_SIGNS,
  CONDITION_WORDS,
  dateCodeText,
  DEEPER_WORDS,
  DEGREE_WORDS,
  hoseAgeText,
  RECOMMENDATION_WORDS,
  SUBJECT_WORDS,
} from './condition.ts';
export { CAUSE_WORDS, CHECK_WORDS, likelihoodText, outcomeText, SYMPTOM_WORDS } from './diagnosis.ts';
export {
  END_NAMES,
  END_WORDS,
  faultText,
  LAYOUT_NAMES,
  LAYOUT_WHEN,
  layoutPraise,
  LINE_NAMES,
  mendText,
  PATTERN_NAMES,
  refusalText,
  VEHICLE_CHANGE_WORDS,
  VEHICLE_KIND_NAMES,
  WRENCH_WORDS,
} from './layout.ts';
export type { FieldFault, FieldFaultFacts } from './fieldFaults.ts';
export { FIELD_FAULTS, fieldFaultText, REFUSALS } from './fieldFaults.ts';
export { changeText, obstacleText } from './obstacleText.ts';
export { flaresText, partText } from './parts.ts';
export { PROBLEM_TEXTS } from './apiProblems.ts';
export { describeEntry } from './logLine.ts';
export { MEANING_NAMES } from './meanings.ts';
export {
  BLEED_METHOD_NAMES,
  IGNITION_NAMES,
  LID_NAMES,
  METHOD_LIMITS,
  methodScript,
  NIPPLE_FREED_NAMES,
  RELEASE_NAMES,
  WET_PADS_NAMES,
} from './bleeding.ts';
