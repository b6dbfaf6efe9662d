// The only place that knows the chart library: it is loaded with the first chart that is shown.
export { BarChart, LineChart } from 'react-native-gifted-charts';
