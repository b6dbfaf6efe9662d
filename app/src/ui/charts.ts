import { lazy } from 'react';

const library = () => import('./chartLibrary');
export const LineChart = lazy(async () => ({ default: (await library()).LineChart }));
export const BarChart = lazy(async () => ({ default: (await library()).BarChart }));
