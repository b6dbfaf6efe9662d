import { memo } from 'react';
import { seatMarks } from '@stennet/core/drawing';
import { isByFastener, orderOf, seatsOf, type Sheet } from '@stennet/core/procedure';
import type { Next, RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { useMapView } from '@/platform/mapView';
import { JointMapView, Ribbon } from '@/ui/work';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { pullLine } from '../say';
import { ordinal, text } from '../text';

/** The whole procedure on one strip, and where the run is on it. */
export const RibbonOf = memo(function RibbonOf({
  state,
  height,
}: {
  state: RunState;
  height: number;
}) {
  const { format } = useSignedIn();
  const { progress, sheet } = state;
  const stage = sheet.stages[progress.stage];
  const of = stage ? Math.max(1, seatsOf(sheet, stage).length) : 1;
  return (
    <Ribbon
      sheet={sheet}
      place={{ stage: progress.stage, share: Object.keys(progress.inPass).length / of }}
      format={format}
      height={height}
    />
  );
});

/** How much larger the map is drawn round the next fastener. */
const ZOOM = { 1: 1, 2: 1.6, 3: 2.4 } as const;

interface OnMap {
  state: RunState;
  joint: string;
  due: Next;
  onSeat: (seat: string) => void;
}

/** Drawn again when the run has changed, and not when something else was said. */
export const MapOf = memo(function MapOf({ state, joint, due, onSeat }: OnMap) {
  const { me, format } = useSignedIn();
  const mapView = useMapView(`${me.person.id}.${state.sheet.id}`);
  const seen = useSeenSheet(state.sheet);
  const { sheet, progress } = state;
  const fastener = due.kind === 'pull' ? due.fastener : due.kind === 'hold' ? due.fastener : null;
  const label =
    due.kind === 'pull'
      ? text.mapLabelNext({ joint, n: sheet.seats.length, next: pullLine(seen, format, due) })
      : text.mapLabel({ joint, n: sheet.seats.length });
  return (
    <JointMapView
      sheet={sheet}
      marks={seatMarks(sheet, progress, due.kind === 'pull' ? fastener : null)}
      numbers={NO_NUMBERS}
      ordinals={ordinalsOf(sheet, progress.stage)}
      label={label}
      view={mapView}
      zoom={ZOOM[mapView.zoom]}
      onSeat={onSeat}
    />
  );
});

/** Every fastener is called by its permanent label. */
const NO_NUMBERS = {};

/** The place in the order of the stage that is on: a second, smaller mark. */
function ordinalsOf(sheet: Sheet, stage: number): Record<string, string> {
  const at = sheet.stages[stage];
  if (!at || !isByFastener(at)) return {};
  return Object.fromEntries(orderOf(sheet, stage).map((id, i) => [id, ordinal(i + 1)]));
}
