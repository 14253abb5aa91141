/** The minute at the end of every session, in order: cushions are away before anyone rises. Usual practice. */
export const LEAVE_SAFELY = [
  "Sit down, feet flat, hands on the thighs.",
  "Twelve calf pumps: heels up, heels down.",
  "Cushions away before anyone rises. Sticks and frames to hand.",
  "Rise in stages: forward on the chair, stand, wait.",
  "Light-headed? Then sit again. No one leaves light-headed.",
] as const;
