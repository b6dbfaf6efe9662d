import type { Stage } from '@stennet/core/procedure';
import { FlagsField, ChoiceField, FieldRow, TextField, BigButton } from '@/ui';
import type { PutStage } from '../hooks/stageEdit';
import { useEditor } from '../hooks/useEditor';
import { moved, withoutUnset } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { NamesField } from './NamesField';
import { SortList } from './SortList';

export function OnFields({ stage, put, place }: { stage: Stage; put: PutStage; place: string }) {
  const { draft, problem } = useEditor();
  const tags = [...new Set(draft.pattern.positions.flatMap((p) => p.tags ?? []))];
  const known = ['all', ...(draft.groups.length > 1 ? draft.groups.map((g) => g.id) : []), ...tags];
  const choices = known.map((k) => ({
    value: k,
    text: k === 'all' ? text.onAll : draft.groups.find((g) => g.id === k)?.name || k,
  }));
  const others = stage.on.filter((n) => !known.includes(n));
  const flip = (names: string[]): void => {
    const added = names.filter((n) => !stage.on.includes(n));
    // All and some cannot both be meant.
    put(
      {
        on: added.includes('all')
          ? ['all']
          : [...names.filter((n) => n !== 'all' || added.length === 0), ...others],
      },
      'on',
    );
  };
  return (
    <>
      <FlagsField
        label={text.on}
        values={stage.on.filter((n) => known.includes(n))}
        options={choices}
        onChange={flip}
        problem={problem(`${place}.on`)}
      />
      {known.length > 1 || others.length > 0 || draft.seats.length > 1 ? (
        <NamesField
          label={text.onOthers}
          names={others}
          onChange={(names) =>
            put(
              {
                on: [
                  ...stage.on.filter(
                    (n) => known.includes(n) && (n !== 'all' || names.length === 0),
                  ),
                  ...names,
                ],
              },
              'on others',
            )
          }
        />
      ) : null}
    </>
  );
}

export function OrderFields({
  stage,
  put,
  place,
  onTapOrder,
}: {
  stage: Stage;
  put: PutStage;
  place: string;
  onTapOrder: (() => void) | undefined;
}) {
  const { problem } = useEditor();
  const { order } = stage;
  const value = !order
    ? 'inherit'
    : order.rule === 'listed' && order.labels
      ? 'tapped'
      : order.rule;
  const choices =
    onTapOrder || value === 'tapped'
      ? options.orders()
      : options.orders().filter((o) => o.value !== 'tapped');
  const choose = (rule: typeof value): void => {
    if (rule === 'tapped') onTapOrder?.();
    else
      put(
        {
          order:
            rule === 'inherit' ? undefined : { rule, ...(order?.reverse ? { reverse: true } : {}) },
        },
        'order',
      );
  };
  return (
    <>
      <ChoiceField
        label={text.order}
        value={value}
        options={choices}
        onChange={choose}
        problem={problem(`${place}.order`)}
      />
      {order?.labels && order.labels.length > 1 ? (
        <SortList
          label={text.sortBolts}
          items={order.labels.map((l) => ({ id: l, text: l }))}
          onMove={(from, to) =>
            put({ order: { ...order, labels: moved(order.labels ?? [], from, to) } }, 'order')
          }
          inRows
        />
      ) : null}
      {order ? (
        <FieldRow>
          <FlagsField
            label={text.orderDirection}
            values={order.reverse ? ['reverse'] : []}
            options={[{ value: 'reverse', text: text.reversed }]}
            onChange={(v) =>
              put(
                { order: withoutUnset({ ...order, reverse: v.length > 0 ? true : undefined }) },
                'reverse',
              )
            }
          />
          {['star', 'cross', 'thirds', 'ring'].includes(order.rule) ? (
            <TextField
              label={text.orderStart}
              value={order.start ?? ''}
              onChange={(start) =>
                put({ order: withoutUnset({ ...order, start: start || undefined }) }, 'start')
              }
            />
          ) : null}
          {order.labels && onTapOrder ? (
            <BigButton text={text.tapOrder} look="quiet" size="desk" onPress={onTapOrder} />
          ) : null}
        </FieldRow>
      ) : null}
    </>
  );
}
