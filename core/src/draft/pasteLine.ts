import { textsOf } from '../language';
import { draftWords } from '../language/en/draftWords';
import { withLine, type Group, type Line, type Sheet } from '../procedure';
import type { FrictionCondition } from '../thread';
import { addPlaces, rowsOfPlaces } from './places';

const text = textsOf('draftWords', draftWords);

type LineGroup = Line['groups'][number];

/**
 * What a word for the condition puts on the fasteners: no one reads “nothing on the threads” where
 * the line said oiled.
 */
const COMPOUNDS: Record<FrictionCondition, Group['compounds']> = {
  dry: [],
  lightOil: oilOn('engine oil'),
  engineOil: oilOn('engine oil'),
  molyPaste: oilOn('moly paste'),
  antiSeize: [{ kind: 'anti-seize', place: 'threads' }],
  threadLocker: [{ kind: 'thread-locker', place: 'threads', strength: 'medium' }],
  sealant: [{ kind: 'thread sealant', place: 'threads' }],
  platedWaxed: [],
};

function oilOn(kind: 'engine oil' | 'moly paste'): Group['compounds'] {
  return [
    { kind, place: 'threads' },
    { kind, place: 'under head' },
  ];
}

/** What the first group of fasteners is called, and those after it. */
export const boltsName = (before = 0): string =>
  before === 0 ? text.bolts : text.boltsN({ n: before + 1 });

/** Rough places for a first look; they are dragged to where they belong. */
const SPACING_MM = 90;
const ROWS_MM = 100;

/**
 * A line of shorthand pasted onto a draft. Stages are taken over as `withLine` does. On an empty
 * draft the fasteners come with it, in rough rows; on one that has fasteners their thread, class,
 * reuse and condition follow the line where it has as many groups. Places and names that are there
 * already stay.
 */
export function pasteLine(draft: Sheet, line: Line): Sheet {
  const withFasteners =
    draft.groups.length === 0
      ? line.groups.reduce(withGroup, draft)
      : line.groups.length === draft.groups.length
        ? renewed(draft, line)
        : draft;
  return withLine(withFasteners, line);
}

function withGroup(draft: Sheet, g: LineGroup): Sheet {
  const free = draft.groups.length === 0 ? 'bolts' : `bolts-${draft.groups.length + 1}`;
  const id = g.id && !draft.groups.some((other) => other.id === g.id) ? g.id : free;
  const group: Group = {
    id,
    name: g.name ?? boltsName(draft.groups.length),
    head: 'hex',
    socket: '',
    compounds: COMPOUNDS[g.condition],
    ...facts(g),
  };
  const rows = g.count >= 4 && g.count % 2 === 0 ? 2 : 1;
  const lowest = Math.min(0, ...draft.pattern.positions.map((p) => p.yMm - ROWS_MM));
  const points = rowsOfPlaces({ count: g.count, rows, spacingMm: SPACING_MM, rowsMm: ROWS_MM }).map(
    (p) => ({
      ...p,
      yMm: draft.groups.length === 0 ? p.yMm : p.yMm + lowest - ROWS_MM / 2,
    }),
  );
  return addPlaces({ ...draft, groups: [...draft.groups, group] }, points, id);
}

const facts = (
  g: LineGroup,
): Pick<Group, 'thread' | 'propertyClass' | 'reuse' | 'friction' | 'frictionCondition'> => ({
  thread: { designation: g.designation, pitchMm: g.pitchMm },
  propertyClass: g.propertyClass,
  reuse: g.reuse,
  friction: text.conditions[g.condition],
  frictionCondition: g.condition,
});

/**
 * What a line says of each group; its words for the condition only where the condition is another
 * one.
 */
function renewed(draft: Sheet, line: Line): Sheet {
  const groups = draft.groups.map((g, i) => {
    const said = line.groups[i];
    if (!said) return g;
    const { friction, ...rest } = facts(said);
    const isSame = said.condition === g.frictionCondition;
    return {
      ...g,
      ...rest,
      name: said.name ?? g.name,
      friction: isSame ? g.friction : friction,
      compounds: isSame && g.compounds.length > 0 ? g.compounds : COMPOUNDS[said.condition],
    };
  });
  return { ...draft, groups };
}
