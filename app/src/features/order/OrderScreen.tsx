import { useLocalSearchParams } from 'expo-router';
import { asAppError, useOrder } from '@/data';
import { Loading, Notice, ScreenFrame } from '@/ui';
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
      title={text.title(number ?? '')}
      {...(vehicle
        ? { subtitle: `${vehicle.maker} ${vehicle.model}${bay ? ` · ${bay}` : ''}` }
        : {})}
      back="/"
      backLabel={text.back}
    >
      {order.data ? (
        <OrderPane order={order.data} />
      ) : order.isError ? (
        <Notice
          title={text.failed}
          text={`${asAppError(order.error).message} ${asAppError(order.error).fix}`}
          action={{ text: text.retry, onPress: () => void order.refetch() }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}
