// Jest's moduleNameMapper for plain Node, and modules that are as new as the one that asks for them.
import { register } from 'node:module';

register('./mapModules.mjs', import.meta.url, { data: JSON.parse(process.env.ANVILSTONE_TEST_MODULES ?? '[]') });
