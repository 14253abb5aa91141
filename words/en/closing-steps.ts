/** The minute at the end of every session, in order: cushions are removed before anyone stands up. Common practice. */
export const LEAVE_SAFELY = [
  "Sit down, feet flat, hands on the thighs.",
  "Twelve calf pumps: heels up, heels down.",
  "Remove cushions before anyone stands up. Keep sticks and frames within reach.",
  "Stand up in stages: move forward on the chair, stand, wait.",
  "Light-headed? Sit down again. No one leaves while light-headed.",
] as const;
