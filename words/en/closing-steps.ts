/** The minute at the end of a session on land: cushions are removed before anyone stands up. Common practice. */
const ON_LAND: readonly string[] = [
  "Sit down, feet flat, hands on the thighs.",
  "Twelve calf pumps: heels up, heels down.",
  "Remove cushions before anyone stands up. Keep sticks and frames within reach.",
  "Stand up in stages: move forward on the chair, stand, wait.",
  "Light-headed? Sit down again. No one leaves while light-headed.",
];

/**
 * The end of a session in water. Out of the water the legs carry the whole weight again and the blood pressure falls: people
 * wait waist-deep, leave one at a time and sit. Common practice.
 */
const IN_WATER: readonly string[] = [
  "Walk slowly to waist-deep water, a hand on the rail. Stand still for one minute.",
  "Leave one at a time, a hand on the rail, with a helper at the steps. A pool chair leaves by the hoist.",
  "Sit down at the poolside at once. Stay seated for two minutes. Keep sticks and frames within reach.",
  "Light-headed? Stay seated. No one leaves while light-headed.",
  "Count everyone out. Someone watches the water until it is empty.",
];

/**
 * What is done at the end of a session, in order.
 *
 * @param inWater whether it ends in the water
 */
export const leaveSafely = (inWater: boolean): readonly string[] => (inWater ? IN_WATER : ON_LAND);
