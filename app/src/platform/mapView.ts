import { keptChoice } from './keptChoice';

/** How one person looks at the map of one sheet, per person and sheet on this device. */
export interface KeptView {
  quarters: 0 | 1 | 2 | 3;
  mirrored: boolean;
  zoom: 1 | 2 | 3;
}

export const { useKept: useMapView, put: putMapView } = keptChoice<KeptView>('map', {
  quarters: 0,
  mirrored: false,
  zoom: 1,
});
