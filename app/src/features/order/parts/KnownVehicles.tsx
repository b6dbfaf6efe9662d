import { useDeferredValue } from 'react';
import { StyleSheet, View } from 'react-native';
import type { KnownVehicle } from '@stennet/core/contract/work';
import { bare } from '@stennet/core/find';
import { useKnownVehicles } from '@/data/orders';
import { BigButton, FieldLabel } from '@/ui';
import { text } from '../text';

/** Three signs are enough to look; fewer and half the shop answers. */
const LEAST = 3;

/** Vehicles that were here before, by what is being typed: one tap fills in the form. */
export function KnownVehicles({
  typed,
  onTake,
}: {
  typed: readonly string[];
  onTake: (known: KnownVehicle) => void;
}) {
  const [asked = ''] = typed.filter((t) => bare(t).length >= LEAST);
  const found = useKnownVehicles(useDeferredValue(asked));
  const known = asked ? (found.data?.vehicles ?? []) : [];
  if (known.length === 0) return null;
  return (
    <View role="group" aria-label={text.knownTitle} style={styles.known}>
      <FieldLabel>{text.knownTitle}</FieldLabel>
      {known.map((k) => (
        <BigButton
          key={`${k.vehicle.plate} ${k.vehicle.vin}`}
          text={`${k.vehicle.plate}, ${k.vehicle.maker} ${k.vehicle.model}`}
          hint={k.customer}
          look="quiet"
          size="desk"
          onPress={() => onTake(k)}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ known: { gap: 8 } });
