const fs = require('node:fs');

module.exports = async () => {
  const { cluster, home } = globalThis.stennetTest;
  cluster.destroy();
  fs.rmSync(home, { recursive: true, force: true });
};
