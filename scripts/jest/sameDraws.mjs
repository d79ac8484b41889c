import fc from 'fast-check';

// Random tests draw the same each time, so that a run says the same of the same code; `npm run hunt` draws others.
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(process.env.ANVILSTONE_HUNT_SEED ?? 20_261_201) });
