/** Specific heat of liquid water, J/(kg K); within 0.5 % from 5 to 95 °C. */
export const waterHeat_J_kgK = 4186;
/** Latent heat of melting ice at 0 °C, J/kg (ASHRAE: 333.6 kJ/kg, from memory). */
export const iceHeat_J_kg = 333_600;
/** Density of boiling-hot water, near enough for a kitchen: kg in a litre. */
export const water_kg_per_L = 1;
