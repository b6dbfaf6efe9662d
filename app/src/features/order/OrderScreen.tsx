import { useLocalSearchParams } from 'expo-router';
import { problemOf, useOrder } from '@/data';
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
  const { vehicle, number, bay } = order.data ?? {};
  return (
    <ScreenFrame
      title={text.title({ number: number ?? '' })}
      {...(vehicle
        ? { subtitle: `${vehicle.maker} ${vehicle.model}${bay ? ` · ${bay}` : ''}` }
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
