/** Stands in for parts of packages that nothing here uses and that come along with their index. */
export default null;
