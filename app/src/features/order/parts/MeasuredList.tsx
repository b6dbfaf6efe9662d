import { useRouter } from 'expo-router';
import type { Order } from '@stennet/core/contract';
import type { ShownEntry } from '@/data';
import { useSignedIn } from '@/data';
import { BigButton, Line } from '@/ui';
import { measuredFact } from '../measuredFact';
import { text } from '../text';

/** What was measured, and the way to measure more. */
export function MeasuredList({ order, entries }: { order: Order; entries: readonly ShownEntry[] }) {
  const router = useRouter();
  const { format } = useSignedIn();
  const fact = measuredFact(entries, format);
  return (
    <>
      {fact ? <Line>{fact}</Line> : null}
      <BigButton
        text={text.measureLink}
        look="plain"
        size="desk"
        onPress={() => router.navigate(`/orders/${order.id}/measure`)}
      />
    </>
  );
}
