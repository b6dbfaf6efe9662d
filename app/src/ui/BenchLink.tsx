import { useRouter } from 'expo-router';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';

const NAMES = {
  clamp: () => commonText.seeClamp,
  pulls: () => commonText.seeOrder,
  joint: () => commonText.seeJoint,
};

/** From where the question arises to the bench, with this joint and this case. */
export function BenchLink({
  joint,
  page,
  beside,
  run,
  size = 'desk',
}: {
  joint: string;
  page: 'clamp' | 'pulls' | 'joint';
  /** Whose readings it is about. */
  run?: string;
  /** The lubricant that it is about. */
  beside?: string;
  size?: 'hand' | 'desk';
}) {
  const router = useRouter();
  return (
    <BigButton
      text={NAMES[page]()}
      look="quiet"
      size={size}
      onPress={() =>
        router.navigate({
          pathname: '/bench',
          params: { page, joint, ...(beside ? { beside } : {}), ...(run ? { run } : {}) },
        })
      }
    />
  );
}
