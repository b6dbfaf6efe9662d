import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import * as v from 'valibot';
import { DaySchema, finite, textOf } from '../schema/text';
import {
  DRIVES,
  DriveSchema,
  QuantitySchema,
  UnitSchema,
  WrenchSchema,
  type Wrench,
} from '../quantity';

const text = textsOf('orders', orders);

const positive = v.pipe(finite, v.gtValue(0));
const name = textOf(60);
const wrench = {
  name,
  unit: UnitSchema,
  min: v.pipe(finite, v.minValue(0)),
  max: positive,
  graduation: positive,
  calibratedUntil: DaySchema,
  tolerancePercent: v.optional(v.pipe(positive, v.maxValue(30))),
  drive: v.optional(DriveSchema),
  lengthMm: v.optional(v.pipe(positive, v.maxValue(3000))),
} as const;

/**
 * What a shop has for tightening, by kind. Anything that comes and goes with a job (plugs, covers)
 * stands in the sheet's steps.
 */
export const ShopToolSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('click'), ...wrench }),
  v.strictObject({ kind: v.literal('dial'), ...wrench }),
  v.strictObject({ kind: v.literal('digital'), ...wrench }),
  v.strictObject({
    kind: v.literal('bar'),
    name,
    drive: DriveSchema,
    lengthMm: v.pipe(positive, v.maxValue(3000)),
  }),
  v.strictObject({
    kind: v.literal('angleGauge'),
    name,
    drive: DriveSchema,
    stepDeg: v.pipe(positive, v.maxValue(30)),
  }),
  v.strictObject({
    kind: v.literal('crowfoot'),
    name,
    drive: DriveSchema,
    opening: textOf(20),
    offsetMm: v.pipe(positive, v.maxValue(500)),
  }),
  v.strictObject({
    kind: v.literal('drawingTool'),
    name,
    fits: textOf(80),
    ceiling: QuantitySchema,
  }),
  v.strictObject({
    kind: v.literal('crankLock'),
    name,
    fits: textOf(80),
    holds: v.picklist(['loosening', 'tightening', 'both']),
  }),
  v.strictObject({ kind: v.literal('stand'), name, ratedKg: v.pipe(positive, v.maxValue(20_000)) }),
]);
export type ShopTool = v.InferOutput<typeof ShopToolSchema>;
export type ShopToolKind = ShopTool['kind'];
export const TOOL_KINDS: readonly ShopToolKind[] = [
  'click',
  'dial',
  'digital',
  'bar',
  'angleGauge',
  'crowfoot',
  'drawingTool',
  'crankLock',
  'stand',
];

/** A tool of the shop's list, with its id. */
export type ListedTool = ShopTool & { id: string };

export const isTorqueWrench = (
  tool: ListedTool,
): tool is Extract<ListedTool, { kind: 'click' | 'dial' | 'digital' }> =>
  ['click', 'dial', 'digital'].includes(tool.kind);

/** The wrenches among a shop's tools, as a run pins them. */
export function wrenchesOf(tools: readonly ListedTool[]): Wrench[] {
  return tools.filter(isTorqueWrench).map((t) => v.parse(WrenchSchema, t));
}

/**
 * What is wrong with a tool as it was entered, by field. A scale that makes no sense would set
 * every value wrong.
 */
export function problemsOf(
  tool: ShopTool,
): { field: 'min' | 'graduation' | 'name'; text: string }[] {
  if (!('graduation' in tool)) return [];
  const problems: { field: 'min' | 'graduation'; text: string }[] = [];
  if (tool.min >= tool.max) problems.push({ field: 'min', text: text.tool.range });
  else if (tool.graduation > tool.max - tool.min)
    problems.push({
      field: 'graduation',
      text: text.tool.graduation,
    });
  return problems;
}

/**
 * Where a scale's lowest value is not written on it: a fifth of the highest. Defined here, from
 * engineering practice.
 */
export const usualLowest = (max: number): number => Math.round(max * 0.2 * 100) / 100;

/** Whether a drive fits another without an adapter. */
export const largestDrive = (drives: readonly (string | undefined)[]): string | undefined =>
  [...DRIVES].reverse().find((d) => drives.includes(d));
