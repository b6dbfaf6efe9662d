import { useState } from 'react';
import { View } from 'react-native';
import { benchJointOf, examplePlaces, FLANGES, type BenchJoint } from '@stennet/core/bench';
import type { Sheet } from '@stennet/core/procedure';
import { ChoiceField, Fold, Section, TextField, useIsWide } from '@/ui';
import { columns } from '../columns';
import { text } from '../text';
import { FreePlaces, placesIn } from './FreePlaces';
import { KeepOrder } from './KeepOrder';
import { OrdersBeside } from './OrdersBeside';
import { ordersFor } from './orders';
import { OwnOrder } from './OwnOrder';
import { PlayedJoint } from './PlayedJoint';

const PLAIN: BenchJoint = {
  places: examplePlaces('twoRows', 10, 90),
  bolt: { thread: 'M10', propertyClass: '10.9', gripMm: 90, under: 'aluminum', gasket: 'metal' },
  condition: 'engineOil',
  flange: 'head',
  torquesNm: [25, 50],
  anglesDeg: [],
  published: null,
};
type Pattern = 'sheet' | 'twoRows' | 'ring' | 'row' | 'free';
const FREE = '20 40\n120 20\n220 40\n220 140\n120 160\n20 140';
const MOST_BOLTS = 24;
const LEAST_BOLTS = 3;
const SPACING_MM = 80;

/** What one pull does to all the others, and what another order would do. */
export function EachPull({ sheet }: { sheet: Sheet | null }) {
  const isWide = useIsWide();
  const fromSheet = sheet ? benchJointOf(sheet) : null;
  const [pattern, setPattern] = useState<Pattern>(fromSheet ? 'sheet' : 'twoRows');
  const [count, setCount] = useState('10');
  const [free, setFree] = useState(FREE);
  const [change, setChange] = useState<Partial<BenchJoint>>({});
  const [gasket, setGasket] = useState<BenchJoint['bolt']['gasket']>();
  const [own, setOwn] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<string | null>(null);
  const n = Math.round(Number(count));
  const isCount = n >= LEAST_BOLTS && n <= MOST_BOLTS;
  const base: BenchJoint =
    pattern === 'sheet' && fromSheet
      ? fromSheet
      : { ...PLAIN, places: placesOf(pattern, isCount ? n : 10, free) };
  const joint = {
    ...base,
    ...change,
    bolt: { ...base.bolt, gasket: gasket ?? base.bolt.gasket ?? 'metal' },
  };
  const orders = ordersFor(joint, own);
  const shown = orders.find((o) => o.id === chosen) ?? orders[0];
  const again = (): void => {
    setOwn([]);
    setChosen(null);
  };
  return (
    <View style={isWide ? columns.wide : columns.phone}>
      <View style={[columns.phone, isWide && columns.most]}>
        {shown ? <PlayedJoint joint={joint} order={shown} /> : null}
        {shown ? <KeepOrder places={joint.places} order={shown} /> : null}
        <Section title={text.pulls.joint}>
          <ChoiceField
            label={text.pulls.pattern}
            value={pattern}
            options={[
              ...(fromSheet ? [{ value: 'sheet' as const, text: text.pulls.patterns.sheet }] : []),
              ...(['twoRows', 'ring', 'row', 'free'] as const).map((p) => ({
                value: p as Pattern,
                text: text.pulls.patterns[p],
              })),
            ]}
            onChange={(p) => {
              setPattern(p);
              again();
            }}
          />
          {pattern === 'free' ? (
            <FreePlaces
              typed={free}
              onChange={(typed) => {
                setFree(typed);
                again();
              }}
            />
          ) : pattern === 'sheet' ? null : (
            <TextField
              label={text.pulls.count}
              value={count}
              mode="decimal"
              onChange={(typed) => {
                setCount(typed);
                again();
              }}
              problem={isCount ? undefined : text.pulls.countWrong}
            />
          )}
          <Fold title={text.pulls.stiffness}>
            <ChoiceField
              label={text.pulls.flange}
              value={joint.flange}
              options={FLANGES.map((f) => ({ value: f, text: text.pulls.flanges[f] }))}
              onChange={(flange) => setChange({ ...change, flange })}
            />
            <ChoiceField
              label={text.clamp.gasket}
              value={joint.bolt.gasket}
              options={(['none', 'metal', 'soft'] as const).map((g) => ({
                value: g,
                text: text.clamp.gaskets[g],
              }))}
              onChange={setGasket}
            />
          </Fold>
        </Section>
      </View>
      <View style={[columns.phone, isWide && columns.least]}>
        <OrdersBeside
          joint={joint}
          orders={orders}
          shown={shown?.id ?? ''}
          onShow={(id) => setChosen(id)}
        />
        <OwnOrder
          places={joint.places}
          own={own}
          onChange={(next) => {
            setOwn(next);
            setChosen(next.length === joint.places.length ? 'own' : null);
          }}
        />
      </View>
    </View>
  );
}

/** Fewer than three are no joint: then those of the example. */
function placesOf(pattern: Pattern, count: number, free: string): BenchJoint['places'] {
  if (pattern !== 'free') return examplePlaces(pattern as 'row', count, SPACING_MM);
  const placed = placesIn(free);
  return placed.length >= LEAST_BOLTS ? placed : placesIn(FREE);
}
