/**
 * What one run leads of a sheet: tightening, taking apart, or (by its own id) what is due after.
 */
export const PROCEDURE = 'procedure';
export const TAKE_APART = 'takeApart';
