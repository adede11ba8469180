/** Stands in for the words of react-aria in languages the program is not written in: see next.config.ts. */
module.exports = () => "export default {};";
