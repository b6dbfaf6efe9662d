import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import type { Sheet } from '../sheet';
import type { Stage } from '../stage';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/** Names that occur twice, and names that mean nothing. */
export function checkNames(sheet: Sheet): Finding[] {
  return [
    ...duplicates(sheet),
    ...unknownOfSeats(sheet),
    ...stageLists(sheet).flatMap(([place, stages]) => unknownOfStages(sheet, place, stages)),
    ...unknownOfSteps(sheet),
    ...unknownOfInstances(sheet),
  ];
}

/** Every list of stages in a sheet, by its place. */
export function stageLists(sheet: Sheet): [string, readonly Stage[]][] {
  return [
    ['takeApart', sheet.takeApart],
    ['stages', sheet.stages],
    ...sheet.after.flatMap((a, i) =>
      a.stages ? [[`after.${i}.stages`, a.stages] as [string, readonly Stage[]]] : [],
    ),
  ];
}

function duplicates(sheet: Sheet): Finding[] {
  const lists: [string, readonly string[]][] = [
    ['pattern.positions', sheet.pattern.positions.map((p) => p.label)],
    ['seats', sheet.seats.map((s) => s.id)],
    ['groups', sheet.groups.map((g) => g.id)],
    ['steps', sheet.steps.map((s) => s.id)],
    ['clocks', sheet.clocks.map((c) => c.id)],
    ['after', sheet.after.map((a) => a.id)],
    ['parts', (sheet.parts ?? []).map((p) => p.id)],
    ['instances.labels', sheet.instances?.labels ?? []],
    ['instances.pairs', (sheet.instances?.pairs ?? []).flat()],
    ...sheet.tellApart.map(
      (t, i) =>
        [`tellApart.${i}.answers`, t.answers.map((a) => a.text)] as [string, readonly string[]],
    ),
    ...stageLists(sheet).map(
      ([place, stages]) => [place, stages.map((s) => s.id)] as [string, string[]],
    ),
  ];
  return lists.flatMap(([place, names]) =>
    names.flatMap((name, i) =>
      names.indexOf(name) < i
        ? [finding('duplicateName', 'error', `${place}.${i}`, text.duplicateName({ name }))]
        : [],
    ),
  );
}

const unknown = (place: string, name: string, what: string): Finding =>
  finding('unknownName', 'error', place, text.unknownName({ what, name }));

function unknownOfSeats(sheet: Sheet): Finding[] {
  const labels = new Set(sheet.pattern.positions.map((p) => p.label));
  const groups = new Set(sheet.groups.map((g) => g.id));
  const ids = new Set(sheet.seats.map((s) => s.id));
  return sheet.seats.flatMap((s, i) => [
    ...(labels.has(s.position)
      ? []
      : [unknown(`seats.${i}.position`, s.position, text.what.position)]),
    ...(groups.has(s.group) ? [] : [unknown(`seats.${i}.group`, s.group, text.what.group)]),
    ...(s.neighbours ?? []).flatMap((n, k) =>
      ids.has(n) ? [] : [unknown(`seats.${i}.neighbours.${k}`, n, text.what.fastener)],
    ),
  ]);
}

/** Pairs and crank angles name cylinders, banks or caps that the sheet has. */
function unknownOfInstances({ instances }: Sheet): Finding[] {
  if (!instances) return [];
  const isKnown = (name: string): boolean => instances.labels.includes(name);
  return [
    ...(instances.pairs ?? []).flatMap((pair, i) =>
      pair.flatMap((name, k) =>
        isKnown(name) ? [] : [unknown(`instances.pairs.${i}.${k}`, name, text.what.instance)],
      ),
    ),
    ...Object.keys(instances.crankDeg ?? {}).flatMap((name) =>
      isKnown(name) ? [] : [unknown(`instances.crankDeg.${name}`, name, text.what.instance)],
    ),
  ];
}

/** All that `on` may say: all, groups, positions, seats, tags. */
function namesOn(sheet: Sheet): Set<string> {
  return new Set([
    'all',
    ...sheet.groups.map((g) => g.id),
    ...sheet.seats.flatMap((s) => [s.id, s.position]),
    ...sheet.pattern.positions.flatMap((p) => p.tags ?? []),
  ]);
}

function unknownOfStages(sheet: Sheet, list: string, stages: readonly Stage[]): Finding[] {
  const on = namesOn(sheet);
  const ids = new Set(stages.map((s) => s.id));
  const steps = new Set(sheet.steps.map((s) => s.id));
  return stages.flatMap((stage, i) => {
    const at = `${list}.${i}`;
    const goesBack =
      stage.ifNot !== undefined && stages.slice(0, i).some((s) => s.id === stage.ifNot);
    return [
      ...stage.on.flatMap((name, k) =>
        on.has(name) ? [] : [unknown(`${at}.on.${k}`, name, text.what.any)],
      ),
      ...(stage.ifNot === undefined || goesBack
        ? []
        : [
            ids.has(stage.ifNot)
              ? finding('unknownName', 'error', `${at}.ifNot`, text.holdBack({ name: stage.ifNot }))
              : unknown(`${at}.ifNot`, stage.ifNot, text.what.stage),
          ]),
      ...sameValue(sheet, stage, stages.slice(0, i), at),
      ...(stage.action === 'do' && !(stage.step !== undefined && steps.has(stage.step))
        ? [unknown(`${at}.step`, stage.step ?? '–', text.what.step)]
        : []),
      ...(stage.order?.labels ?? []).flatMap((name, k) =>
        on.has(name) ? [] : [unknown(`${at}.order.labels.${k}`, name, text.what.fastener)],
      ),
    ];
  });
}

/** A value that is used again is chosen before: earlier in the list, or when it was tightened. */
function sameValue(
  { stages }: Sheet,
  { name, sameAs }: Stage,
  before: readonly Stage[],
  at: string,
): Finding[] {
  if (sameAs === undefined) return [];
  const isLater = at.startsWith('after.');
  const from = [...before, ...(isLater ? stages : [])].find((s) => s.id === sameAs);
  if (!from) return [unknown(`${at}.sameAs`, sameAs, text.what.stage)];
  const hasChoice = (from.target && 'min' in from.target) || from.fallback;
  return hasChoice
    ? []
    : [
        finding(
          'unknownName',
          'error',
          `${at}.sameAs`,
          text.sameAsNoChoice({ name, stage: from.name }),
        ),
      ];
}

function unknownOfSteps(sheet: Sheet): Finding[] {
  const on = namesOn(sheet);
  const stages = new Set(stageLists(sheet).flatMap(([, list]) => list.map((s) => s.id)));
  const steps = new Set(sheet.steps.map((s) => s.id));
  const ofSteps = sheet.steps.flatMap((step, i) => [
    ...('stage' in step.due && !stages.has(step.due.stage)
      ? [unknown(`steps.${i}.due.stage`, step.due.stage, text.what.stage)]
      : []),
    ...[...(step.on ?? []), ...(step.covers ?? [])].flatMap((name) =>
      on.has(name) ? [] : [unknown(`steps.${i}.on`, name, text.what.any)],
    ),
    ...(step.ifNot !== undefined && !stages.has(step.ifNot)
      ? [unknown(`steps.${i}.ifNot`, step.ifNot, text.what.stage)]
      : []),
    ...(step.instances ?? []).flatMap((name) =>
      sheet.instances?.labels.includes(name)
        ? []
        : [unknown(`steps.${i}.instances`, name, text.what.instance)],
    ),
  ]);
  const isKnown = (p: { step: string } | { stage: string }): boolean =>
    'step' in p ? steps.has(p.step) : stages.has(p.stage);
  const ofClocks = sheet.clocks.flatMap((c, i) =>
    (['from', 'to'] as const).flatMap((end) =>
      isKnown(c[end])
        ? []
        : [
            unknown(
              `clocks.${i}.${end}`,
              'step' in c[end] ? c[end].step : c[end].stage,
              text.what.stepOrStage,
            ),
          ],
    ),
  );
  return [...ofSteps, ...ofClocks];
}
