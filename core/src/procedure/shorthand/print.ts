import { isInchThread } from '../../thread';
import { units, type Quantity } from '../../quantity';
import type { Order } from '../stage';
import {
  CONDITION_WORDS,
  ORDER_WORDS,
  REUSE_WORDS,
  type Line,
  type LineGroup,
  type LinePart,
  type LineStage,
} from './line';
import { DEFAULT_SEATED, DEFAULT_SETTLED } from '../settlingDefault';

/**
 * A line in its one canonical form. Equal neighboring stages are printed apart; `×n` is a repeat.
 * @example 10 × M10×1.5 10.9 new, oiled, center-out: 27 N·m until settled; 50 N·m; +75°; +65°
 */
export function printLine(line: Line): string {
  const first = line.stages[0];
  const head = line.groups.map(groupText).join(' + ');
  const order = first?.order ? `, ${orderText(first.order, { rule: 'any', labels: [] })}` : '';
  let last: Order = first?.order ?? { rule: 'listed' };
  const stages = line.stages.map((stage, i) => {
    const text = stageText(stage, i === 0 ? undefined : stage.order, last);
    if (stage.order) last = stage.order;
    return text;
  });
  return `${head}${order}: ${stages.join('; ')}`;
}

const groupText = (g: LineGroup): string =>
  [factsText(g), g.name ? `“${g.name}”` : '', g.id ? `as ${g.id}` : ''].filter(Boolean).join(' ');

const factsText = (g: LineGroup): string =>
  `${g.count} × ${g.designation}${isInchThread(g.designation) ? '' : `×${g.pitchMm}`} ${g.propertyClass} ${REUSE_WORDS[g.reuse]}, ${CONDITION_WORDS[g.condition]}`;

/** Only reversed, where it is the last order given. */
function orderText(order: Order, last: Order): string {
  const isLast =
    last.rule === order.rule && JSON.stringify(last.labels) === JSON.stringify(order.labels);
  if (order.reverse && isLast) return 'reversed';
  const named = order.labels ? `order ${order.labels.join(' ')}` : ORDER_WORDS[order.rule];
  const any = order.labels && order.rule === 'any' ? `any order ${order.labels.join(' ')}` : named;
  return order.reverse ? `${any} reversed` : any;
}

function stageText(s: LineStage, order: Order | undefined, last: Order): string {
  const on = s.on.length === 1 && s.on[0] === 'all' ? '' : `${s.on.join(', ')} `;
  const said = [s.trial ? 'trial' : '', s.purpose ?? '', bodyText(s)].filter(Boolean).join(' ');
  const parts = [`${on}${said}`];
  if (s.recommended !== undefined) parts.push(`recommended ${s.recommended}`);
  if (s.plusMinus !== undefined) parts.push(`±${s.plusMinus}`);
  if (order) parts.push(orderText(order, last));
  if (s.repeat) parts.push(repeatText(s.repeat));
  return parts.join(' ');
}

const valueText = (q: Quantity | undefined, upTo: number | undefined): string => {
  if (!q) return '';
  const number = upTo === undefined ? String(q.value) : `${q.value}–${upTo}`;
  return q.unit === 'deg' ? `${number}°` : `${number} ${units[q.unit].symbol}`;
};

function bodyText(
  s: Pick<
    LineStage,
    'action' | 'value' | 'upTo' | 'floor' | 'loosen' | 'minutes' | 'each' | 'text'
  >,
): string {
  const value = valueText(s.value, s.upTo);
  switch (s.action) {
    case 'torque':
      return value;
    case 'angle':
      return `+${value}`;
    case 'check':
      return `${s.floor ? 'floor' : 'check'} ${value}`;
    case 'stretch':
      return `stretch ${value}`;
    case 'loosen':
      return typeof s.loosen === 'object'
        ? `back ${s.loosen.degrees}°`
        : s.loosen === 'crack'
          ? 'back eased'
          : 'back fully';
    case 'handStart':
      return 'by hand';
    case 'runDown':
      return 'run down';
    case 'drawDown':
      return 'draw down';
    case 'swap':
      return 'swap';
    case 'wait':
      return `wait ${s.minutes ?? 0} min`;
    case 'hold':
      return `hold “${s.text ?? ''}”`;
    case 'each':
      return `each (${(s.each ?? []).map(partText).join(', ')})`;
  }
}

const partText = (p: LinePart): string =>
  p.plusMinus === undefined ? bodyText(p) : `${bodyText(p)} ±${p.plusMinus}`;

function repeatText(r: NonNullable<LineStage['repeat']>): string {
  if (r.kind === 'passes') return `×${r.passes}`;
  if (r.kind === 'untilSeated')
    return r.maxRounds === DEFAULT_SEATED.maxRounds
      ? 'until seated'
      : `until seated (${r.maxRounds})`;
  const isDefault =
    r.maxPasses === DEFAULT_SETTLED.maxPasses &&
    r.movedMoreThanDeg === DEFAULT_SETTLED.movedMoreThanDeg;
  return isDefault ? 'until settled' : `until settled (${r.maxPasses}, ${r.movedMoreThanDeg}°)`;
}
