import { isAllowed, type FollowUp } from '@stennet/core/contract';
import { dayIn } from '@stennet/core/followUp';
import { now } from '@/platform/clock';
import { useSignedIn } from './account';
import { settleFollowUp } from './records';
import { useKeptForm } from './useKeptForm';

/** What somebody has begun to say of one. */
export interface FollowUpForm {
  asking: 'done' | 'declined' | null;
  note: string;
  km: number | null;
}
const NOTHING: FollowUpForm = { asking: null, note: '', km: null };

/** What a row of something that falls due needs besides itself: today, the shop's style, and what this person may do with it. */
export function useFollowUp(followUp: FollowUp) {
  const { format, me } = useSignedIn();
  // The list is sorted anew while somebody types: what was typed is kept beside it.
  const { form, put, clear } = useKeptForm<FollowUpForm>(`followUp ${followUp.id}`, NOTHING);
  return {
    today: dayIn(now(), me.shop.timeZone),
    format,
    mayWrite: isAllowed(me.role, 'order.write'),
    againTo: isAllowed(me.role, 'run.write') ? { pathname: '/joints/[joint]' as const, params: { joint: followUp.joint, part: followUp.after } } : null,
    form,
    onForm: (next: FollowUpForm | null) => (next ? put(next) : clear()),
    onSettle: (said: Parameters<typeof settleFollowUp>[1]) => settleFollowUp(followUp, said),
  };
}
