import { es as core } from '@stennet/core/language/es';
import { es as app } from '.';

/** All that Spanish needs: one piece, loaded by who speaks it. */
export const es = { ...core, ...app };
