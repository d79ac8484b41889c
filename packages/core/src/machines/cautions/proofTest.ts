/** Said wherever a part is shown whose failure could hurt someone. */
export const PROOF_TEST_CAUTION =
  'Failure could hurt someone: the numbers here do not approve this part. Proof-test every one above its working load, keep people clear of it, and have a responsible engineer sign under the rules that apply where it is used.';
