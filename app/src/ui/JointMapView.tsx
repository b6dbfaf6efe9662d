import { jointMap, type SeatMark } from '@stennet/core/drawing';
import type { Sheet } from '@stennet/core/procedure';
import { DrawingView } from './DrawingView';

interface Props {
  sheet: Sheet;
  marks: Readonly<Record<string, SeatMark>>;
  numbers: Readonly<Record<string, string>>;
  label: string;
  words?: boolean;
}

/** The joint as it lies before the technician; fills the box it is put in. */
export function JointMapView({ sheet, marks, numbers, label, words = true }: Props) {
  return <DrawingView drawing={jointMap(sheet, marks, { words, numbers })} label={label} width="100%" height="100%" />;
}
