import { commonText } from '@/language/common';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed, type Order } from '@stennet/core/contract';
import { jointKindText, type Sheet } from '@stennet/core/procedure';
import { asAppError, useSignedIn, useToday } from '@/data';
import { addJoint, setJointSheet } from '@/data/orders';
import { newId } from '@/platform/ids';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text } from '../text';

const same = (a: string, b: string): boolean =>
  a.replace(/[^a-z0-9]/gi, '').toLowerCase() === b.replace(/[^a-z0-9]/gi, '').toLowerCase();

/**
 * From the sheet to the vehicle: onto a joint that has not been begun, or as a new joint of a job.
 */
export function UseOn({ sheet }: { sheet: Sheet }) {
  const { me } = useSignedIn();
  const today = useToday();
  const [all, setAll] = useState(false);
  if (sheet.status !== 'approved' || !isAllowed(me.role, 'order.write') || !today.data) return null;
  const fitting = today.data.orders.filter((o) => same(o.vehicle.engine, sheet.applies.engine));
  const shown = all ? today.data.orders : fitting;
  return (
    <Section title={text.useOn}>
      {fitting.length === 0 ? <Line>{text.useNone({ engine: sheet.applies.engine })}</Line> : null}
      {shown.map((o) => (
        <UseOnOrder key={o.id} order={o} sheet={sheet} />
      ))}
      {all || today.data.orders.length === fitting.length ? null : (
        <BigButton text={text.useOthers} look="quiet" size="desk" onPress={() => setAll(true)} />
      )}
    </Section>
  );
}

function UseOnOrder({ order, sheet }: { order: Order; sheet: Sheet }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [joint] = useState(newId);
  const [sure, setSure] = useState(false);
  const revision = sheet.revision;
  const isOther = !same(order.vehicle.engine, sheet.applies.engine);
  const done = (work: Promise<unknown>, to: string): void => {
    setProblem(null);
    work.then(
      () => router.navigate(`/joints/${to}`),
      (e: unknown) => setProblem(`${asAppError(e).message} ${asAppError(e).fix}`),
    );
  };
  const open = order.jobs
    .flatMap((j) => j.joints)
    .filter((t) => t.runs.length === 0 && t.sheetId !== sheet.id);
  return (
    <View style={styles.order}>
      <Line strong>
        {text.useOrder({
          number: order.number,
          vehicle: `${order.vehicle.maker} ${order.vehicle.model}`,
        })}
      </Line>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {isOther && !sure ? (
        <>
          <Notice
            title={text.otherEngine({ vehicle: order.vehicle.engine, sheet: sheet.applies.engine })}
            text={text.otherEngineText}
            look="warn"
            alert
          />
          <BigButton
            text={text.otherEngineYes}
            label={`${text.otherEngineYes}, ${commonText.ro({ number: order.number })}`}
            look="warn"
            size="desk"
            onPress={() => setSure(true)}
          />
        </>
      ) : null}
      {(isOther && !sure ? [] : open).map((t) => (
        <BigButton
          key={t.id}
          text={text.useJoint({ joint: t.name })}
          hint={text.useInstead({ title: t.sheetTitle })}
          look="quiet"
          size="desk"
          onPress={() => done(setJointSheet(t.id, sheet.id, revision), t.id)}
        />
      ))}
      {(isOther && !sure ? [] : order.jobs).map((j) => (
        <BigButton
          key={j.id}
          text={text.useJob({ job: j.title })}
          label={`${text.useJob({ job: j.title })}, ${commonText.ro({ number: order.number })}`}
          look="quiet"
          size="desk"
          onPress={() =>
            done(
              addJoint(j.id, { joint, name: jointKindText(sheet.kind), sheet: sheet.id, revision }),
              joint,
            )
          }
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ order: { gap: 8 } });
