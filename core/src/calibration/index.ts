export * from './judgeCheck';
export * from './wrenchCheck';
