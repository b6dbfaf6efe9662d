import { useLocalSearchParams } from 'expo-router';
import { problemOf, useOrder, useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { ScreenFrame, Waiting } from '@/ui';
import { OrderPane } from './parts/OrderPane';
import { text } from './text';

/**
 * One repair order: what is wrong with whose vehicle, the jobs and how far they are, and all that
 * stands on it.
 */
export function OrderScreen() {
  const { order: id } = useLocalSearchParams<{ order: string }>();
  const order = useOrder(id);
  const { format } = useSignedIn();
  const { vehicle, number, bay, promisedAt } = order.data ?? {};
  return (
    <ScreenFrame
      title={text.title({ number: number ?? '' })}
      {...(vehicle
        ? {
            subtitle: [
              `${vehicle.maker} ${vehicle.model}`,
              vehicle.plate,
              bay ?? '',
              promisedAt ? format.due(new Date(promisedAt), now()) : '',
            ]
              .filter(Boolean)
              .join(' · '),
          }
        : {})}
      back="/"
      backLabel={text.back}
    >
      {order.data ? (
        <OrderPane order={order.data} />
      ) : (
        <Waiting problem={problemOf(order)} text={text} onRetry={() => void order.refetch()} />
      )}
    </ScreenFrame>
  );
}
