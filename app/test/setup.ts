import { loadWorkBy } from '@/data/work';

// As the app puts itself together, without its screens.
loadWorkBy(() => import('@/data/workParts'));

// A native test environment has a window that nothing happens to.
window.addEventListener ??= () => undefined;
window.removeEventListener ??= () => undefined;
Object.defineProperty(globalThis, 'navigator', { value: { onLine: true }, configurable: true });
