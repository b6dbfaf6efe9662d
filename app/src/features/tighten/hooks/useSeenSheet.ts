import { useMemo } from 'react';
import { viewedFrom } from '@stennet/core/joint';
import type { Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { useMapView } from '@/platform/mapView';

/** The sheet as its map lies for this person: “2 of 5 from the left” is said of what they see. */
export function useSeenSheet(sheet: Sheet): Sheet {
  const { me } = useSignedIn();
  const view = useMapView(`${me.person.id}.${sheet.id}`);
  return useMemo(() => ({ ...sheet, pattern: viewedFrom(sheet.pattern, view) }), [sheet, view]);
}
