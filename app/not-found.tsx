/** Says nothing about what might be elsewhere. */
export default function NotFound() {
  return (
    <main className="max-w-xl mx-auto px-5 py-20">
      <h1 className="text-2xl">There is nothing here</h1>
      <p className="mt-2">
        The address may be mistyped or no longer in use. If somebody gave it to you, ask them for it again.
      </p>
    </main>
  );
}
