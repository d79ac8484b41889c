export { duration } from '@anvilstone/core/foundations';
export { amount } from '@anvilstone/core/decisions';
