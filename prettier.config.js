export default {
  printWidth: 100,
  singleQuote: true,
  // Reads scripts in two thirds of the time, to the same shape.
  plugins: ['@prettier/plugin-oxc'],
};
