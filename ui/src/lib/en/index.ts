/**
 * Every word of the pages, by part: what only some view says comes with that view. A second
 * language is a second folder of this shape.
 */
export * from './accountform';
export * from './accounts';
export * from './agreement';
export * from './arriving';
export * from './automation';
export * from './batches';
export * from './desk';
export * from './following';
export * from './forecast';
export * from './hands';
export * from './ledger';
export * from './moves';
export * from './name';
export * from './names';
export * from './parts';
export * from './places';
export * from './post';
export * from './practice';
export * from './preparing';
export * from './records';
export * from './rulebook';
export * from './taking';
