import { useState } from 'react';
import {
  boltsName,
  addPlaces,
  blankGroup,
  movePlace,
  numberPlaces,
  type Point,
} from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import { changed } from '../lists';
import { useEditor } from './useEditor';

export type Mode = 'move' | 'add' | 'number' | 'select' | 'order';

export interface Placing {
  mode: Mode;
  setMode: (mode: Mode) => void;
  /** Tapped so far, in order: numbering and ordering. */
  tapped: readonly string[];
  selected: readonly string[];
  setSelected: (labels: string[]) => void;
  /** The stage whose order is being tapped. */
  orderFor: string | null;
  snaps: boolean;
  setSnaps: (on: boolean) => void;
  begin: (stageId: string) => void;
  tapPlace: (label: string) => void;
  tapEmpty: (at: Point) => void;
  drag: (label: string, to: Point) => void;
  takeBack: () => void;
  startOver: () => void;
  finish: () => void;
}

const SNAP_MM = 5;
const EMPTY: readonly string[] = [];

/** What a tap on the map does now, and what was tapped so far. */
export function usePlacing(): Placing {
  const { change } = useEditor();
  const [mode, setModeOnly] = useState<Mode>('add');
  const [tapped, setTapped] = useState<readonly string[]>(EMPTY);
  const [selected, setSelected] = useState<readonly string[]>(EMPTY);
  const [orderFor, setOrderFor] = useState<string | null>(null);
  const [snaps, setSnaps] = useState(true);
  const at = (p: Point): Point =>
    snaps
      ? { xMm: Math.round(p.xMm / SNAP_MM) * SNAP_MM, yMm: Math.round(p.yMm / SNAP_MM) * SNAP_MM }
      : p;
  const setMode = (next: Mode): void => {
    setModeOnly(next);
    setTapped(EMPTY);
    if (next !== 'order') setOrderFor(null);
  };
  return {
    mode,
    setMode,
    tapped,
    selected,
    setSelected,
    orderFor,
    snaps,
    setSnaps,
    begin: (stageId) => {
      setMode('order');
      setOrderFor(stageId);
    },
    tapPlace: (label) => {
      if (mode === 'number' || mode === 'order')
        setTapped((t) => (t.includes(label) ? t : [...t, label]));
      else
        setSelected((s) =>
          mode === 'select'
            ? s.includes(label)
              ? s.filter((l) => l !== label)
              : [...s, label]
            : [label],
        );
    },
    tapEmpty: (p) => {
      if (mode === 'add') change((d) => placed(d, at(p)));
    },
    drag: (label, to) => change((d) => movePlace(d, label, at(to)), `drag ${label}`),
    takeBack: () => setTapped((t) => t.slice(0, -1)),
    startOver: () => setTapped(EMPTY),
    finish: () => {
      if (mode === 'number') change((d) => numberPlaces(d, tapped));
      if (mode === 'order' && orderFor) change((d) => ordered(d, orderFor, tapped));
      setMode('select');
    },
  };
}

function placed(draft: Sheet, at: Point): Sheet {
  const [sheet, group] = withGroup(draft);
  return addPlaces(sheet, [at], group);
}

/**
 * A place needs a group to belong to: the last one, or a first one that the Fasteners part asks for
 * in full.
 */
export function withGroup(draft: Sheet): [Sheet, string] {
  const last = draft.groups.at(-1);
  if (last) return [draft, last.id];
  return [{ ...draft, groups: [blankGroup('bolts', boltsName())] }, 'bolts'];
}

function ordered(draft: Sheet, stageId: string, tapped: readonly string[]): Sheet {
  const i = draft.stages.findIndex((s) => s.id === stageId);
  const seats = tapped.flatMap((label) =>
    draft.seats.filter((s) => s.position === label).map((s) => s.id),
  );
  return {
    ...draft,
    stages: changed(draft.stages, i, (s) => ({ ...s, order: { rule: 'listed', labels: seats } })),
  };
}
