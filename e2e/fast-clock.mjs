/** The clock of this process, so many times as fast: for tests that run an evening in a minute. */
const { FAST_FROM, FAST_SPEED } = process.env;
const real = Date.now.bind(Date);
Date.now = () => Math.round(Number(FAST_FROM) + (real() - Number(FAST_FROM)) * Number(FAST_SPEED));
