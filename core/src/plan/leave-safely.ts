/** The minute at the end of every session, in order. Usual practice. */
export const LEAVE_SAFELY = [
  "Sit down, feet flat, hands on the thighs.",
  "Twelve calf pumps: heels up, heels down.",
  "Rise in stages: forward on the chair, stand, wait.",
  "Light-headed? Then sit again. Nobody leaves light-headed.",
  "Cushions away before anybody rises. Sticks and frames to hand.",
] as const;
