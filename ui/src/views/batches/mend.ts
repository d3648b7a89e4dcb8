import type { Schemas } from '../../lib/api';

/** Sets something for some names of a batch. */
export type Mend = (names: string[], own: Schemas['BatchWish']) => void;
