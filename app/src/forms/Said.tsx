import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import { Line, Notice } from '@/ui';

/** What the server said to it, or that it is done. */
export function Said({ error, done }: { error: AppError | null; done: string }) {
  if (error) return <Notice title={error.message} text={error.fix} look="warn" alert />;
  if (!done) return null;
  return (
    <View role="status">
      <Line strong>{done}</Line>
    </View>
  );
}
