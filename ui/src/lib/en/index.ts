import { accountForm } from './accountform';
import { accounts } from './accounts';
import { automation } from './automation';
import { batches } from './batches';
import { desk } from './desk';
import { following } from './following';
import { forecast } from './forecast';
import { hands } from './hands';
import { ledger } from './ledger';
import { moves } from './moves';
import { name } from './name';
import { names } from './names';
import { parts } from './parts';
import { places } from './places';
import { post } from './post';
import { practice } from './practice';
import { records } from './records';
import { rulebook } from './rulebook';

/** Every word of the pages, by part. A second language is a second folder of this shape. */
export const en = {
  ...accountForm,
  ...accounts,
  ...automation,
  ...batches,
  ...desk,
  ...following,
  ...forecast,
  ...hands,
  ...ledger,
  ...moves,
  ...name,
  ...names,
  ...parts,
  ...places,
  ...post,
  ...practice,
  ...records,
  ...rulebook,
};
