const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

// Paper's components draw their icons not at all here: no icon font is counted.
const config = getDefaultConfig(__dirname);
const icons = path.join(__dirname, 'src/ui/NoIcon.tsx');
const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  name === '@react-native-vector-icons/material-design-icons'
    ? { type: 'sourceFile', filePath: icons }
    : (resolve ?? context.resolveRequest)(context, name, platform);
module.exports = config;
