/** Tells that the process serves; opens nothing. */
export function GET(): Response {
  return Response.json({ up: true });
}
