export * from './people';
export * from './instruments';
export * from './work';
export * from './records';
export * from './live';
export * from './probes';
export * from './budgets';
export * from './paper';
