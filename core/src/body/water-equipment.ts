import { entryNamed } from "../named.ts";

/**
 * What is held in the hands in water. `area` is how many times the bare hand's area meets the water, `lift` how much each pulls
 * upward under the surface, newtons. Usual sizes of soft paddles and short foam bars; our own numbers.
 */
export const WATER_EQUIPMENT = [
  { name: "bare", area: 1, lift: 0 },
  { name: "paddles", area: 2, lift: 0 },
  { name: "floats", area: 2.5, lift: 15 },
] as const;
export type WaterEquipment = (typeof WATER_EQUIPMENT)[number]["name"];
export const WATER_EQUIPMENT_NAMES = WATER_EQUIPMENT.map(({ name }) => name);

export const waterEquipmentNamed = (name: WaterEquipment): (typeof WATER_EQUIPMENT)[number] => entryNamed(WATER_EQUIPMENT, name);
