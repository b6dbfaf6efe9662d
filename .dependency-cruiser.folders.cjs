// Folders of core and server are a tree: none leads back to itself, by whatever way. Tests may look
// anywhere.
const { options } = require('./.dependency-cruiser.cjs');

module.exports = {
  forbidden: [
    {
      name: 'no-folder-circles',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: 'dist|\\.expo|\\.test\\.tsx?$|/testing/' } },
};
