const fs = require('node:fs');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const instead = {
  // Paper's components draw their icons through our own SVG paths: no icon font is shipped.
  '@react-native-vector-icons/material-design-icons': path.join(__dirname, 'src/ui/PaperIcon.tsx'),
  // Gestures look for it and do without; nothing is animated by it.
  'react-native-reanimated': path.join(__dirname, 'src/platform/noReanimated.ts'),
  // The part of Valibot that is used, bundled by scripts/build-web.mjs.
  valibot: path.join(__dirname, '.shaken/valibot.js'),
};
const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  const filePath = instead[name];
  return filePath && fs.existsSync(filePath)
    ? { type: 'sourceFile', filePath }
    : (resolve ?? context.resolveRequest)(context, name, platform);
};
module.exports = config;
