/** Addresses whose last part lets anyone in who knows it. */
const SECRET = /^\/(invitation|reset|set-up|calendar)\/[^/]+$/;

/** The path of a request as it is logged: without tokens. */
export const loggedPath = (path: string): string => {
  const plain = path.replace(/\.data$/, "");
  return SECRET.test(plain) && plain !== "/calendar/sessions.ics" ? plain.replace(/[^/]+$/, "…") : path;
};
