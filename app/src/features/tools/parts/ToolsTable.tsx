import { Text } from 'react-native-paper';
import { useSignedIn, type KeptTool } from '@/data';
import { useInks } from '@/ui';
import { DeskTable, type Column } from '@/tables/DeskTable';
import { calibrationOf, factsOf } from './ToolRow';
import { text } from '../text';

/** What the shop has, at the desk: the chosen one stands beside. */
export function ToolsTable({
  tools,
  chosen,
}: {
  tools: readonly KeptTool[];
  chosen: string | undefined;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const plain = { fontSize: 15, color: inks.ink };
  const columns: Column<KeptTool>[] = [
    {
      id: 'name',
      title: text.name,
      flex: 14,
      value: ({ tool }) => tool.name,
      cell: ({ tool }) => <Text style={[plain, { fontWeight: '700' }]}>{tool.name}</Text>,
    },
    {
      id: 'kind',
      title: text.kind,
      flex: 12,
      value: ({ tool }) => text.kinds[tool.kind],
      cell: ({ tool }) => <Text style={plain}>{text.kinds[tool.kind]}</Text>,
    },
    {
      id: 'facts',
      title: text.data,
      flex: 20,
      value: ({ tool }) => ('max' in tool ? tool.max : null),
      cell: ({ tool }) => (
        <Text style={plain}>{factsOf(tool, format).filter(Boolean).join(' · ')}</Text>
      ),
    },
    {
      id: 'calibration',
      title: text.calibration,
      flex: 14,
      value: ({ tool }) => ('calibratedUntil' in tool ? tool.calibratedUntil : null),
      cell: (kept) => <Calibration kept={kept} />,
    },
  ];
  return (
    <DeskTable
      name="tools"
      label={text.title}
      rows={tools}
      columns={columns}
      idOf={(t) => t.id}
      linkOf={(t) => ({ href: `/tools?at=${t.id}`, label: text.show({ name: t.tool.name }) })}
      chosen={chosen}
      sortedBy="kind"
    />
  );
}

function Calibration({ kept: { tool, retired } }: { kept: KeptTool }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const calibration = retired ? null : calibrationOf(tool, format);
  const words = retired ? text.retired : (calibration?.words ?? '');
  return (
    <Text
      style={{
        fontSize: 15,
        color: calibration?.warn ? inks.warnText : inks.ink,
        fontWeight: calibration?.warn ? '700' : '400',
      }}
    >
      {calibration?.warn ? `▲ ${words}` : words}
    </Text>
  );
}
