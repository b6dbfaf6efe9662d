import { useState } from 'react';
import { View } from 'react-native';
import type { Joint } from '@stennet/core/contract';
import { ofKind, useJointSheet, type ShownEntry } from '@/data';
import { BigButton, Chip, Line } from '@/ui';
import { useSave } from '../hooks/useSave';
import { text } from '../text';

/**
 * Which banks, caps or cylinders this order is about: one bank alone is an order that can be
 * closed.
 */
export function Scope({
  order,
  joint,
  entries,
}: {
  order: string;
  joint: Joint;
  entries: readonly ShownEntry[];
}) {
  const [isOpen, setOpen] = useState(false);
  const { problem, save } = useSave();
  const known = ofKind(entries, 'scope').find((e) => e.body.joint === joint.id);
  const all =
    useJointSheet(joint.id).data?.sheet.instances?.labels ?? joint.instances?.labels ?? [];
  const chosen = known?.body.instances ?? all;
  if (!joint.instances) return null;
  const put = (label: string): void => {
    const next = all.filter((l) => (l === label ? !chosen.includes(l) : chosen.includes(l)));
    if (next.length > 0)
      save({
        order,
        ...(known ? { entry: known.id, version: known.version } : {}),
        body: { kind: 'scope', joint: joint.id, instances: next },
      });
  };
  if (!isOpen)
    return (
      <BigButton
        text={
          chosen.length < all.length ? text.scopeOnly({ labels: chosen.join(', ') }) : text.scopeAll
        }
        look="quiet"
        size="desk"
        onPress={() => setOpen(true)}
      />
    );
  return (
    <View style={{ gap: 8 }}>
      <Line>{text.scopeAsk}</Line>
      {problem ? <Line strong>{problem}</Line> : null}
      <View
        role="group"
        aria-label={text.scopeAsk}
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}
      >
        {all.map((label) => (
          <Chip
            key={label}
            role="checkbox"
            text={label}
            on={chosen.includes(label)}
            onPress={() => put(label)}
          />
        ))}
      </View>
      <BigButton text={text.scopeDone} look="quiet" size="desk" onPress={() => setOpen(false)} />
    </View>
  );
}
