export { amount, duration } from '@anvilstone/core';
