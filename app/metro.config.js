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
const nothing = path.join(__dirname, 'src/platform/nothing.ts');
const routerParts = path.join(__dirname, 'src/platform/routerParts.ts');
/** What packages bring along of themselves and no screen uses: who asks for it, what it gets. */
const unused = [
  {
    from: /expo-router\/build\/(exports|index)\.js$/,
    names: ['./stack', './color', './layouts/Tabs', './layouts/experimental-stack'],
    get: nothing,
  },
  {
    from: /expo-router\/build\/(views|layouts)\//,
    names: [
      '../layouts/StackClient',
      '../react-navigation/bottom-tabs',
      '../native-tabs/NativeTabTrigger',
    ],
    get: routerParts,
  },
  {
    from: /react-native-web\/dist\/index\.js$/,
    names: ['./exports/FlatList', './exports/SectionList', './exports/VirtualizedList'],
    get: nothing,
  },
  {
    from: /react-native-web\/dist\/vendor\/react-native\/Animated\/Animated\.js$/,
    names: ['./components/AnimatedFlatList', './components/AnimatedSectionList'],
    get: nothing,
  },
];
const partFor = (from, name) =>
  unused.find((one) => one.from.test(from) && one.names.includes(name))?.get;

const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  const filePath = partFor(context.originModulePath, name) ?? instead[name];
  return filePath && fs.existsSync(filePath)
    ? { type: 'sourceFile', filePath }
    : (resolve ?? context.resolveRequest)(context, name, platform);
};
module.exports = config;
