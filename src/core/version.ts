/** Frozen into every plan, so that a later change of a model can tell which one a batch was made by. */
export const coreVersion = '1.2.0';
