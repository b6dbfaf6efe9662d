import { useRouter } from 'expo-router';
import { inOrder } from '@stennet/core/draft';
import type { TriedOrder } from '@stennet/core/bench';
import { isAllowed } from '@stennet/core/contract';
import type { Position } from '@stennet/core/joint';
import { useSignedIn } from '@/data';
import { useBeginDraft } from '@/data/drafts';
import { BigButton, Line, Section } from '@/ui';
import { text } from '../text';
import type { OrderName } from './orders';

const NEW = { maker: '', model: '', engine: '', kind: '', title: '' };

/** Why this order, and a draft sheet that begins with it: marked as derived, never as published. */
export function KeepOrder({ places, order }: { places: readonly Position[]; order: TriedOrder }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const { begin } = useBeginDraft();
  const name = order.id as OrderName;
  const keep = async (): Promise<void> => {
    const id = await begin({ ...NEW, title: text.keep.sheetTitle }, (draft) =>
      inOrder(draft, places, order.order, text.keep.stage),
    );
    router.navigate(`/drafts/${id}`);
  };
  return (
    <Section title={text.keep.title({ name: text.orders.names[name] })}>
      <Line strong>{order.order.join(' – ')}</Line>
      <Line>{text.keep.reasons[name]}</Line>
      {isAllowed(me.role, 'sheet.write') ? (
        <>
          <BigButton text={text.keep.start} look="plain" size="desk" onPress={() => void keep()} />
          <Line>{text.keep.derived}</Line>
        </>
      ) : null}
    </Section>
  );
}
