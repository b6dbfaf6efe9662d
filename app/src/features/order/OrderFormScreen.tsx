import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import type { Order } from '@stennet/core/contract';
import { type AppError } from '@stennet/core/errors';
import { checkVin } from '@stennet/core/find';
import { asAppError, problemOf, useKeptForm, useOrder, useSignedIn } from '@/data';
import { createOrder, saveOrder, useVehicle } from '@/data/orders';
import { newId } from '@/platform/ids';
import {
  BigButton,
  Card,
  ChoiceField,
  FieldRow,
  Line,
  Notice,
  ScreenFrame,
  Section,
  TextField,
  Waiting,
} from '@/ui';
import { EMPTY, formOf, readForm, type HeadForm, type Problems } from './orderForm';
import { shopTimeIn } from './shopTime';
import { text } from './text';

/** A new repair order, or a change to one. */
export function OrderFormScreen() {
  const { order: id } = useLocalSearchParams<{ order?: string }>();
  return id ? <Edit id={id} /> : <Form key="new" order={null} />;
}

function Edit({ id }: { id: string }) {
  const order = useOrder(id);
  if (order.data) return <Form key={id} order={order.data} />;
  return (
    <ScreenFrame
      title={text.formEdit({ number: '' })}
      back={`/orders/${id}`}
      backLabel={text.backToOrder}
    >
      <Waiting problem={problemOf(order)} text={text} onRetry={() => void order.refetch()} />
    </ScreenFrame>
  );
}

function Form({ order }: { order: Order | null }) {
  const router = useRouter();
  const { me } = useSignedIn();
  const time = shopTimeIn(me.shop.timeZone);
  const { form, put, clear, isTouched, isRestored } = useKeptForm<
    HeadForm & { id: string; version: number }
  >(`order ${order?.id ?? 'new'}`, {
    ...(order ? formOf(order, time) : EMPTY),
    // Sent again after a lost answer, it is the same one; a change is one on top of what was seen.
    id: order?.id ?? newId(),
    version: order?.version ?? 0,
  });
  const [problems, setProblems] = useState<Problems>({});
  const [error, setError] = useState<AppError | null>(null);
  const [busy, setBusy] = useState(false);
  const save = (version: number): void => {
    const read = readForm(form, time);
    if ('problems' in read) return setProblems(read.problems);
    setProblems({});
    setBusy(true);
    const sent = order
      ? saveOrder(order.id, { version, head: read.head })
      : createOrder({
          order: form.id,
          head: { ...read.head, number: form.number.trim() ? read.head.number : null },
        });
    sent.then(
      () => {
        clear();
        router.replace(`/orders/${form.id}`);
      },
      (e: unknown) => {
        setError(asAppError(e));
        setBusy(false);
      },
    );
  };
  const field = (name: keyof HeadForm, label: string, lines = 1) => (
    <TextField
      label={label}
      value={form[name]}
      lines={lines}
      onChange={(t) => put({ [name]: t })}
      problem={problems[name]}
    />
  );
  const back = order ? `/orders/${order.id}` : '/orders';
  return (
    <ScreenFrame
      title={order ? text.formEdit({ number: order.number }) : text.formNew}
      back={back}
      backLabel={order ? text.backToOrder : text.backToOrders}
    >
      {isRestored ? <Line>{text.kept}</Line> : null}
      {error ? (
        <Refusal
          error={error}
          order={order}
          onOver={() => order && save(order.version)}
          onTheirs={clear}
        />
      ) : null}
      <Card>
        <FieldRow>
          {field('vin', text.vin)}
          {field('plate', text.plate)}
        </FieldRow>
        <ByVin vin={form.vin} onTake={put} />
        <FieldRow>
          {field('maker', text.maker)}
          {field('model', text.model)}
          {field('engine', text.engine)}
          {field('built', text.builtHint)}
        </FieldRow>
        <FieldRow>
          {field('odometer', text.odometerHint)}
          <ChoiceField
            label={text.odometerHint}
            value={form.unit}
            options={[
              { value: 'km', text: text.km },
              { value: 'mi', text: text.mi },
            ]}
            onChange={(unit) => put({ unit })}
          />
        </FieldRow>
      </Card>
      <Section title={text.concern}>
        {field('concern', text.concern, 3)}
        <FieldRow>
          {field('customer', text.customer)}
          {field('bay', text.bay)}
          {field('promised', text.promisedHint)}
          {field('number', order ? text.numberKeep : text.number)}
        </FieldRow>
      </Section>
      <BigButton
        text={busy ? text.saving : text.save}
        disabled={busy}
        onPress={() => save(form.version)}
      />
      {isTouched ? (
        <BigButton
          text={text.letGo}
          look="quiet"
          size="desk"
          onPress={() => {
            clear();
            router.replace(back as never);
          }}
        />
      ) : null}
    </ScreenFrame>
  );
}

/** What someone else saved in the meantime is shown before anything is written over it. */
function Refusal({
  error,
  order,
  onOver,
  onTheirs,
}: {
  error: AppError;
  order: Order | null;
  onOver: () => void;
  onTheirs: () => void;
}) {
  if (error.code !== 'ORDER_CHANGED' || !order)
    return <Notice title={error.message} text={error.fix} look="warn" alert />;
  return (
    <Section title={text.changedTitle}>
      <Line strong>{`${error.message} ${error.fix}`}</Line>
      <Line>
        {[
          order.customer,
          order.concern,
          order.vehicle.plate,
          order.bay ?? '',
          `${order.odometer.value} ${order.odometer.unit}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Line>
      <BigButton text={text.showTheirs} look="quiet" size="desk" onPress={onTheirs} />
      <BigButton text={text.overTheirs} look="warn" size="desk" onPress={onOver} />
    </Section>
  );
}

/** A vehicle that was here is not typed a second time. */
function ByVin({ vin, onTake }: { vin: string; onTake: (change: Partial<HeadForm>) => void }) {
  const tidy = vin.replace(/[\s-]/g, '').toUpperCase();
  const isGood = checkVin(tidy).kind === 'good';
  const found = useVehicle(tidy, isGood);
  const vehicle = isGood ? found.data?.vehicle : null;
  if (!vehicle) return null;
  return (
    <Notice
      title={text.known({ vehicle: `${vehicle.maker} ${vehicle.model}, ${vehicle.plate}` })}
      action={{ text: text.takeKnown, onPress: () => onTake({ ...vehicle, vin: tidy }) }}
    />
  );
}
