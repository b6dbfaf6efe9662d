import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Order } from '@stennet/core/contract';
import { type AppError } from '@stennet/core/errors';
import { asAppError, problemOf, useOrder, useSignedIn } from '@/data';
import { createOrder, saveOrder } from '@/data/orders';
import { useSheetPlaces } from '@/data/sheets';
import { newId } from '@/platform/ids';
import {
  BigButton,
  Card,
  FieldRow,
  Line,
  Notice,
  ScreenFrame,
  Section,
  useIsWide,
  Waiting,
} from '@/ui';
import { FormChoice, FormDay, FormMoment, FormText, useKeptFields } from '@/forms';
import {
  emptyForm,
  fieldsOf,
  formOf,
  HeadFormSchema,
  type HeadForm,
  type ReadHead,
} from './orderForm';
import { KnownVehicles } from './parts/KnownVehicles';
import { Suggest } from './parts/Suggest';
import { VinCamera } from './parts/VinCamera';
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

/** Sent again after a lost answer it is the same order; a change is one on top of what was seen. */
type Kept = HeadForm & { id: string; version: number };

function useOrderForm(order: Order | null) {
  const { me } = useSignedIn();
  const unit = me.shop.locale === 'en-US' ? 'mi' : 'km';
  const [id] = useState(newId);
  return useKeptFields<HeadForm, ReadHead>(
    `order ${order?.id ?? 'new'}`,
    {
      ...(order ? formOf(order, unit) : emptyForm(unit)),
      ...{ id: order?.id ?? id, version: order?.version ?? 0 },
    },
    HeadFormSchema,
  );
}

function Form({ order }: { order: Order | null }) {
  const router = useRouter();
  const isWide = useIsWide();
  const kept = useOrderForm(order);
  const { form, values, clear, isTouched, isRestored } = kept;
  const { id, version } = values as Kept;
  const [error, setError] = useState<AppError | null>(null);
  const [busy, setBusy] = useState(false);
  const save = (on: number) =>
    form.handleSubmit((read) => {
      setBusy(true);
      const sent = order
        ? saveOrder(id, { version: on, head: { ...read, number: read.number ?? order.number } })
        : createOrder({ order: id, head: read });
      return sent.then(
        () => {
          clear();
          router.replace(`/orders/${id}`);
        },
        (e: unknown) => {
          setError(asAppError(e));
          setBusy(false);
        },
      );
    })();
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
          onOver={() => order && void save(order.version)}
          onTheirs={clear}
        />
      ) : null}
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.phone, isWide && styles.half]}>
          <VehicleFields kept={kept} />
        </View>
        <View style={[styles.phone, isWide && styles.half]}>
          <Section title={text.concern}>
            <FormText control={form.control} name="concern" label={text.concern} lines={3} />
            <FormMoment control={form.control} name="promised" label={text.promised} />
            <FieldRow>
              <FormText control={form.control} name="bay" label={text.bay} />
              <FormText
                control={form.control}
                name="number"
                label={text.number}
                {...(order ? {} : { hint: text.numberHint })}
              />
            </FieldRow>
          </Section>
          <CustomerFields kept={kept} />
        </View>
      </View>
      <BigButton
        text={busy ? text.saving : text.save}
        disabled={busy}
        onPress={() => void save(version)}
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

type Kit = { kept: ReturnType<typeof useOrderForm> };

/** The vehicle; one that was here before fills in all of it by its plate, VIN or customer. */
function VehicleFields({ kept: { form, values, fill } }: Kit) {
  const places = useSheetPlaces();
  const { control } = form;
  const { maker, engine } = values;
  const known = places.data?.places ?? [];
  const makers = [...new Set(known.map((p) => p.maker))];
  const engines = [
    ...new Set(known.filter((p) => !maker || p.maker === maker).map((p) => p.engine)),
  ];
  const isOpen = !maker && !values.model;
  return (
    <Card>
      <FieldRow>
        <FormText control={control} name="plate" label={text.plate} />
        <FormText control={control} name="vin" label={text.vin} />
      </FieldRow>
      <VinCamera onRead={(vin) => fill({ vin })} />
      {isOpen ? (
        <KnownVehicles
          typed={[values.plate, values.vin, values.customer]}
          onTake={(k) => fill(fieldsOf(k))}
        />
      ) : null}
      <FieldRow>
        <View>
          <FormText control={control} name="maker" label={text.maker} />
          <Suggest
            label={text.maker}
            typed={maker}
            known={makers}
            onTake={(value) => fill({ maker: value })}
          />
        </View>
        <FormText control={control} name="model" label={text.model} />
        <View>
          <FormText control={control} name="engine" label={text.engine} />
          <Suggest
            label={text.engine}
            typed={engine}
            known={engines}
            onTake={(value) => fill({ engine: value })}
          />
        </View>
        <FormDay control={control} name="built" label={text.builtDate} />
      </FieldRow>
      <FieldRow>
        <FormText control={control} name="odometer" label={text.odometer} mode="decimal" />
        <FormChoice
          control={control}
          name="unit"
          label={text.odometerUnit}
          options={[
            { value: 'km', text: text.km },
            { value: 'mi', text: text.mi },
          ]}
        />
      </FieldRow>
      <Line>{text.mayFollow}</Line>
    </Card>
  );
}

/** Whose it is, and how they would like to be reached. */
function CustomerFields({ kept: { form } }: Kit) {
  const { control } = form;
  return (
    <Section title={text.customer}>
      <FormText control={control} name="customer" label={text.customer} />
      <FieldRow>
        <FormText control={control} name="phone" label={text.phone} mode="tel" />
        <FormText control={control} name="email" label={text.email} mode="email" />
      </FieldRow>
      <FormChoice
        control={control}
        name="prefers"
        label={text.prefers}
        options={[
          { value: 'call', text: text.contactWays.call },
          { value: 'text', text: text.contactWays.text },
          { value: 'email', text: text.contactWays.email },
        ]}
      />
    </Section>
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
          order.odometer ? `${order.odometer.value} ${order.odometer.unit}` : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Line>
      <BigButton text={text.showTheirs} look="quiet" size="desk" onPress={onTheirs} />
      <BigButton text={text.overTheirs} look="warn" size="desk" onPress={onOver} />
    </Section>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0 },
});
