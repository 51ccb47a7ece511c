/** Volume of so much fuel, m³. @param densityKgM3 weight of the fuel, an assumption */
export const fuelVolume = (massKg: number, densityKgM3: number): number => massKg / densityKgM3;
