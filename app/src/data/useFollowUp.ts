import { useState } from 'react';
import { isAllowed, type FollowUp } from '@stennet/core/contract';
import { dayIn } from '@stennet/core/followUp';
import { now } from '@/platform/clock';
import { useSignedIn } from './account';
import { settleFollowUp } from './records';
import { useIsTyping, useKeptForm } from './useKeptForm';

/** What someone has begun to say of one. */
export interface FollowUpForm {
  asking: 'done' | 'declined' | null;
  note: string;
  km: number | null;
}
const NOTHING: FollowUpForm = { asking: null, note: '', km: null };

/**
 * What a row of something that is due needs as well itself: today, the shop's style, and what
 * this person may do with it.
 */
export function useFollowUp(followUp: FollowUp) {
  const { format, me } = useSignedIn();
  // The list is sorted again while someone types: what was typed is kept beside it.
  const { form, put, clear } = useKeptForm<FollowUpForm>(`followUp ${followUp.id}`, NOTHING);
  return {
    today: dayIn(now(), me.shop.timeZone),
    format,
    mayWrite: isAllowed(me.role, 'order.write'),
    againTo: isAllowed(me.role, 'run.write')
      ? {
          pathname: '/joints/[joint]' as const,
          params: { joint: followUp.joint, part: followUp.after },
        }
      : null,
    form,
    onForm: (change: Partial<FollowUpForm> | null) => (change ? put(change) : clear()),
    onSettle: (said: Parameters<typeof settleFollowUp>[1]) => settleFollowUp(followUp, said),
  };
}

const isAsked = (key: string, form: object): boolean =>
  key.startsWith('form followUp ') && (form as FollowUpForm).asking !== null;

/**
 * The list in its order, each with its group. While someone says something of one of them the rest
 * stays where it is: a form that moves under the fingers loses what is typed into it.
 */
export function useSteadyFollowUps<T extends FollowUp, G>(
  list: readonly T[],
  groupOf: (followUp: T) => G,
): { followUp: T; group: G }[] {
  const isTyping = useIsTyping(isAsked);
  // Where each stood when the form was opened; null: nothing is being said.
  const [held, setHeld] = useState<ReadonlyMap<string, { place: number; group: G }> | null>(null);
  const placed = list.map((followUp, i) => {
    const was = held?.get(followUp.id);
    return {
      followUp,
      group: was?.group ?? groupOf(followUp),
      place: was?.place ?? list.length + i,
    };
  });
  if (isTyping && !held)
    setHeld(new Map(placed.map(({ followUp, group }, place) => [followUp.id, { place, group }])));
  if (!isTyping && held) setHeld(null);
  return placed.sort((a, b) => a.place - b.place);
}
