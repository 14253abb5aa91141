/**
 * Signs at which a class stops at once, and what is done first. Usual practice in exercise for older people;
 * the venue's emergency card, local rules and the emergency service come before this list.
 */
export const EMERGENCY_SIGNS = [
  "Not responding and not breathing normally: call, start CPR, fetch the defibrillator",
  "Chest pain or pressure, palpitations, a defibrillator shock",
  "Fainting, a seizure, new confusion",
  "Face drooping, slurred speech, weakness in an arm or leg",
  "Sudden severe headache, double vision or loss of sight",
  "Vertigo with unsteadiness",
  "Breathlessness that does not settle",
  "A fall with a knock to the head, or on blood thinners",
  "After a fall: cannot stand on the leg, or the leg looks shorter or turned",
  "Sudden pain in a replaced joint, or a calf that swells",
  "Numbness between the legs, or new bladder or bowel problems",
  "Signs of low glucose",
  "Head under water, or water breathed in, with cough or breathlessness: out of the pool, not left alone, medical help",
  "High spinal injury with a pounding headache and a flushed face: sit up, loosen what is tight, call",
] as const;

export const EMERGENCY_STEPS = [
  "Everyone sits. The helper stays with the group.",
  "Go to the participant. Do not lift or pull them up.",
  "Call the emergency number if you see any sign below or are unsure.",
  "Bring the venue's emergency card and the defibrillator.",
] as const;
