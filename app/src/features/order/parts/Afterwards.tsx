import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { ERASED, isAllowed, type FollowUp, type Order } from '@stennet/core/contract';
import { jointState } from '@stennet/core/order';
import { archivePath, handOverPath, useFollowUp, useSignedIn, useSteadyFollowUps } from '@/data';
import { openFile } from '@/platform/files';
import { BigButton, Section } from '@/ui';
import { FollowUpRow } from '@/ui/work';
import { text } from '../text';
import { EraseCustomer } from './EraseCustomer';

/** What is due once the work is done, and what the owner and others take along. */
export function Afterwards({ order }: { order: Order }) {
  const router = useRouter();
  const { me } = useSignedIn();
  const followUps = useSteadyFollowUps(order.followUps, () => null);
  const begun = order.jobs.some((j) => j.joints.some((t) => jointState(t) !== 'notStarted'));
  return (
    <Section title={text.afterwards}>
      {followUps.map(({ followUp }) => (
        <Row key={followUp.id} followUp={followUp} />
      ))}
      <View style={{ gap: 8 }}>
        {begun ? (
          <BigButton
            text={text.handOver}
            look="quiet"
            size="desk"
            onPress={() => openFile(handOverPath(order.id), 'show')}
          />
        ) : null}
        {begun ? (
          <BigButton
            text={text.archive}
            look="quiet"
            size="desk"
            onPress={() => openFile(archivePath(order.id), 'keep')}
          />
        ) : null}
        <BigButton
          text={text.earlier}
          look="quiet"
          size="desk"
          onPress={() =>
            router.navigate({
              pathname: '/history',
              params: { by: 'vehicle', vin: order.vehicle.vin },
            })
          }
        />
        {order.state === 'handedOver' &&
        order.customer !== ERASED &&
        isAllowed(me.role, 'shop.write') ? (
          <EraseCustomer order={order.id} />
        ) : null}
      </View>
    </Section>
  );
}

function Row({ followUp }: { followUp: FollowUp }) {
  return <FollowUpRow followUp={followUp} {...useFollowUp(followUp)} />;
}
