import { freezerModel } from '../../reference/model-rules';

/** Warmest that frozen stock is let get before somebody is told, °C. */
export const freezerMark_C = freezerModel.oldWarmest_C.value;
