import { isAllowed, type FollowUp } from '@stennet/core/contract';
import { today } from '@/platform/clock';
import { useSignedIn } from './account';
import { settleFollowUp } from './records';

/** What a row of something that falls due needs besides itself: today, the shop's style, and what this person may do with it. */
export function useFollowUp(followUp: FollowUp) {
  const { format, me } = useSignedIn();
  return {
    today: today(),
    format,
    mayWrite: isAllowed(me.role, 'order.write'),
    againTo: isAllowed(me.role, 'run.write') ? { pathname: '/joints/[joint]' as const, params: { joint: followUp.joint, part: followUp.after } } : null,
    onSettle: (said: Parameters<typeof settleFollowUp>[1]) => settleFollowUp(followUp, said),
  };
}
