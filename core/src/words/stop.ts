/** What stops everybody, for who leads and for who takes part. */
export const COACH_STOP =
  'Stop anybody with chest pain or pressure, faintness, sharp joint pain or unusual breathlessness. What their clinician or your house says comes first.';
export const OWN_STOP =
  'Stop and tell your trainer at chest pain or pressure, faintness, sharp joint pain or unusual breathlessness. Your doctor’s and physiotherapist’s word comes first.';
export const HOME_STOP =
  'Stop at chest pain or pressure, faintness, sharp joint pain or unusual breathlessness, and call for help if it doesn’t pass. Your doctor’s and physiotherapist’s word comes first.';
