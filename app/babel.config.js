module.exports = function (api) {
  const isTest = api.env('test');
  return {
    presets: [['babel-preset-expo', { reanimated: false, worklets: false }]],
    // Jest runs plain modules: what the app loads later is required there.
    plugins: isTest ? ['@babel/plugin-transform-dynamic-import'] : [],
  };
};
