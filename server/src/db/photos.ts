import * as v from 'valibot';
import { rowsOf, done } from './statement';
import findPhotoSql from './queries/findPhoto.sql';
import insertPhotoSql from './queries/insertPhoto.sql';
import insertPieceSql from './queries/insertPiece.sql';
import listPiecesSql from './queries/listPieces.sql';
import deletePiecesSql from './queries/deletePieces.sql';

export const findPhoto = rowsOf(findPhotoSql, v.object({ bytes: v.nullable(v.instance(Buffer)) }));
export const insertPhoto = done(insertPhotoSql);
export const insertPiece = done(insertPieceSql);
export const listPieces = rowsOf(
  listPiecesSql,
  v.object({ start: v.number(), bytes: v.instance(Buffer) }),
);
export const deletePieces = done(deletePiecesSql);
