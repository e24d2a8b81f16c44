/** Nobody but this machine is answered unless HOST says so: set before the server begins to listen. */
export default defineNitroPlugin(() => {
  process.env.NITRO_HOST ||= process.env.HOST || "127.0.0.1";
  useSettings();
});
