/** Name under which a certificate travels in MatML, whose only place for it is a property. */
export const CLAIM_PROPERTY = 'Certificate or statement';
