// Loaded before a server in a drill: its clock is put on or back by a message, as when somebody sets a machine’s clock.
const RealDate = Date;
let shiftMs = 0;
process.on('message', (said) => {
  if (typeof said?.shiftMs === 'number') shiftMs = said.shiftMs;
});
globalThis.Date = class extends RealDate {
  constructor(...given) {
    if (given.length === 0) super(RealDate.now() + shiftMs);
    else super(...given);
  }
  static now() {
    return RealDate.now() + shiftMs;
  }
};
