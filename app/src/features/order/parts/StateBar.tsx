import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { jointSeen, type Order } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import {
  blockers,
  mayNotBecome,
  ORDER_STATE_TEXT,
  stepsFrom,
  type OrderSeen,
  type OrderState,
} from '@stennet/core/order';
import { asAppError, type ShownEntry } from '@/data';
import { setOrderState } from '@/data/orders';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text } from '../text';

/** What core has to know of an order to say where it stands. */
export const seenOf = (order: Order, entries: readonly Pick<ShownEntry, 'body'>[]): OrderSeen => ({
  joints: order.jobs.flatMap((j) => j.joints.map(jointSeen)),
  entries: entries.map((e) => e.body),
  followUps: order.followUps,
});

/** The steps that end the work: each stands out once nothing is in its way. */
const isForward = (state: OrderState): boolean =>
  state === 'toCheck' || state === 'done' || state === 'handedOver';

/** Where the order stands, what holds it up, and where it goes next. */
export function StateBar({
  order,
  entries,
  mayWrite,
}: {
  order: Order;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}) {
  const [error, setError] = useState<AppError | null>(null);
  const [tried, setTried] = useState<OrderState | null>(null);
  const seen = seenOf(order, entries);
  const holding = blockers(seen);
  // What was tried stays said as long as it is so, and not longer.
  const why = tried && mayNotBecome(tried, seen);
  const refusal =
    tried && why ? new AppError('ORDER_STATE', { state: ORDER_STATE_TEXT[tried], why }) : error;
  const go = (state: OrderState) => (): void => {
    setTried(state);
    setError(null);
    if (mayNotBecome(state, seen)) return;
    setOrderState(order.id, order.version, state).catch((e: unknown) => setError(asAppError(e)));
  };
  return (
    <Section title={`${text.stateTitle}: ${ORDER_STATE_TEXT[order.state]}`}>
      {refusal ? <Notice title={refusal.message} text={refusal.fix} look="warn" alert /> : null}
      {holding.length === 0 ? (
        <Line>{text.clear}</Line>
      ) : (
        holding.map((b) => <Line key={b.by + b.text}>{`${text.blocks[b.by]}: ${b.text}`}</Line>)
      )}
      {mayWrite ? (
        <View style={styles.row}>
          {stepsFrom(order.state).map((s) => (
            <BigButton
              key={s}
              text={text.steps[s]}
              look={isForward(s) && !mayNotBecome(s, seen) ? 'main' : 'quiet'}
              size="desk"
              grow
              onPress={go(s)}
            />
          ))}
        </View>
      ) : null}
    </Section>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: 12, flexWrap: 'wrap' } });
