/** Drawings of the mix screens, to scale within themselves. */

/** A tank with its filling. @param share of the tank, 0 to 1 */
export const TankDrawing = ({ share, words }: { share: number; words: string }) => {
  const level = 96 * Math.min(1, share);
  return (
    <svg
      width={92}
      height={124}
      viewBox="0 0 92 124"
      role="img"
      aria-label={`Tank filled to ${words}`}
      className="flex-none"
    >
      <rect x={30} y={4} width={24} height={10} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      <rect x={10} y={118 - level} width={64} height={level} fill="var(--t-water)" />
      <rect x={10} y={16} width={64} height={102} rx={6} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {[0.25, 0.5, 0.75].map((mark) => (
        <line key={mark} x1={66} x2={74} y1={118 - 96 * mark} y2={118 - 96 * mark} stroke="var(--ink)" />
      ))}
      <line x1={6} x2={78} y1={118 - level} y2={118 - level} stroke="var(--teal)" strokeWidth={2} />
    </svg>
  );
};

/** A boom with a bar of flow under each nozzle, the mean across. Nozzles more than a tenth off it are marked. */
export const BoomDrawing = ({ flows, mean, unit }: { flows: number[]; mean: number; unit: string }) => {
  const most = Math.max(...flows, mean);
  const step = Math.min(44, 320 / flows.length);
  const width = step * flows.length + 8;
  const y = (flow: number) => 18 + (70 * flow) / most;
  return (
    <svg
      width={width}
      height={112}
      viewBox={`0 0 ${width} 112`}
      role="img"
      aria-label={`Flow of ${flows.length} nozzles, mean ${mean.toPrecision(3)} ${unit}`}
      className="mt-2 max-w-full"
    >
      <line x1={0} x2={width} y1={10} y2={10} stroke="var(--ink)" strokeWidth={4} />
      {flows.map((flow, i) => {
        const off = Math.abs(flow / mean - 1) > 0.1;
        const x = 4 + step * i + step / 2;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a nozzle is its place on the boom
          <g key={i}>
            <path d={`M${x - 3} 12h6l3 6h-12z`} fill="var(--ink)" />
            <rect
              x={x - step / 4}
              y={18}
              width={step / 2}
              height={y(flow) - 18}
              fill={off ? "none" : "var(--t-water)"}
              stroke={off ? "var(--danger)" : "var(--teal)"}
              strokeWidth={off ? 2.5 : 1}
              strokeDasharray={off ? "3 2" : undefined}
            />
            <text x={x} y={106} textAnchor="middle" fontSize={11} fill="var(--ink)" fontWeight={off ? 700 : 400}>
              {i + 1}
            </text>
          </g>
        );
      })}
      <line x1={0} x2={width} y1={y(mean)} y2={y(mean)} stroke="var(--ink)" strokeDasharray="6 3" />
    </svg>
  );
};

/** The foot of a stem beside a hand's breadth, with the band of bark and the cuts that are seen from one side. */
export const StemDrawing = ({
  diameterCm,
  bandCm,
  cuts,
}: {
  diameterCm: number;
  bandCm: number | null;
  cuts: number;
}) => {
  const highCm = Math.max(40, (bandCm ?? 0) * 1.3);
  const scale = 150 / highCm;
  const width = Math.min(140, Math.max(6, diameterCm * scale));
  const left = 90 - width / 2;
  const seen = Math.ceil(cuts / 2);
  return (
    <svg
      width={180}
      height={184}
      viewBox="0 0 180 184"
      role="img"
      aria-label={`Stem of ${diameterCm.toPrecision(3)} cm, to scale`}
      className="flex-none"
    >
      <rect x={left} y={8} width={width} height={158} fill="var(--t-bark)" stroke="var(--ink)" />
      {bandCm ? (
        <rect
          x={left - 2}
          y={166 - bandCm * scale}
          width={width + 4}
          height={bandCm * scale}
          fill="var(--t-water)"
          fillOpacity={0.75}
          stroke="var(--teal)"
          strokeWidth={1.6}
        />
      ) : null}
      {Array.from({ length: seen }, (_, i) => {
        const x = left + (width * (i + 0.5)) / seen;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a cut is its place around the stem
          <line key={i} x1={x - 3} x2={x + 3} y1={60} y2={70} stroke="var(--danger)" strokeWidth={2.5} />
        );
      })}
      <line x1={0} x2={180} y1={166} y2={166} stroke="var(--ink)" strokeWidth={2} />
      <line x1={8} x2={8 + 10 * scale} y1={176} y2={176} stroke="var(--ink)" strokeWidth={2} />
      <text x={12 + 10 * scale} y={180} fontSize={11} fill="var(--ink)">
        10 cm
      </text>
    </svg>
  );
};
