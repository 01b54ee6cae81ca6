/** In the place of the address of a file that only the built program has. */
const builtUrl = '';

export { builtUrl as default };
