import { loadWorkBy } from '@/data/work';

// As the app puts itself together, without its screens.
loadWorkBy(() => import('@/data/workParts'));
