import type { AppError } from '@stennet/core/errors';
import { Loading } from './Loading';
import { Notice } from './Notice';

/**
 * What stands while something is asked for: that it is on its way, or why it did not come, with the
 * way to ask again.
 */
export function Waiting({
  problem,
  text,
  onRetry,
}: {
  problem: AppError | null;
  text: { loading: string; failed: string; retry: string };
  onRetry: () => void;
}) {
  if (!problem) return <Loading text={text.loading} rows={4} />;
  return (
    <Notice
      title={text.failed}
      text={`${problem.message} ${problem.fix}`}
      action={{ text: text.retry, onPress: onRetry }}
      alert
    />
  );
}
