export * from './derived';
export * from './household';
export * from './kitchen';
export * from './stock';
export * from './run';
export * from './installation';
export * from './instrument';
export * from './plan';
