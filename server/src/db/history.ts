import { HistoryLineSchema } from '@stennet/core/contract';
import { rowsOf } from './statement';
import historyOfJointSql from './queries/historyOfJoint.sql';
import historyOfLotSql from './queries/historyOfLot.sql';
import historyOfPlateSql from './queries/historyOfPlate.sql';
import historyOfSheetSql from './queries/historyOfSheet.sql';
import historyOfVehicleSql from './queries/historyOfVehicle.sql';
import historyOfWrenchSql from './queries/historyOfWrench.sql';

/** What was tightened: the newest first, from a place on. */
export const historyOfJoint = rowsOf(historyOfJointSql, HistoryLineSchema);
export const historyOfLot = rowsOf(historyOfLotSql, HistoryLineSchema);
export const historyOfPlate = rowsOf(historyOfPlateSql, HistoryLineSchema);
export const historyOfSheet = rowsOf(historyOfSheetSql, HistoryLineSchema);
export const historyOfVehicle = rowsOf(historyOfVehicleSql, HistoryLineSchema);
export const historyOfWrench = rowsOf(historyOfWrenchSql, HistoryLineSchema);
