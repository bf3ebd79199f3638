/** Tells that the process is alive, without asking the database; opens nothing. */
export function GET(): Response {
  return Response.json({ up: true });
}
