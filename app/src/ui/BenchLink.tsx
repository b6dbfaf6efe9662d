import { useRouter } from 'expo-router';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';

/** From where the question arises to the bench, with this joint and this case. */
export function BenchLink({
  joint,
  page,
  beside,
  size = 'desk',
}: {
  joint: string;
  page: 'clamp' | 'pulls';
  /** The lubricant that it is about. */
  beside?: string;
  size?: 'hand' | 'desk';
}) {
  const router = useRouter();
  return (
    <BigButton
      text={page === 'clamp' ? commonText.seeClamp : commonText.seeOrder}
      look="quiet"
      size={size}
      onPress={() =>
        router.navigate({
          pathname: '/bench',
          params: { page, joint, ...(beside ? { beside } : {}) },
        })
      }
    />
  );
}
