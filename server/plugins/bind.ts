/** Nobody but this machine is answered unless HOST says so: set before the server begins to listen. */
export default defineNitroPlugin(() => {
  process.env.NITRO_HOST ||= process.env.HOST || "127.0.0.1";
  try {
    useSettings();
  } catch (failure) {
    // A setting that is wrong is told in words, and nothing runs with a guess in its place.
    console.error((failure as Error).message);
    process.exit(2);
  }
});
