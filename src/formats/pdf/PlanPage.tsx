import { G, Image, Page, Path, Rect, Svg, Text, View } from '@react-pdf/renderer';
import type { CustomerPlan } from '@/model';
import { labelPlace } from '@/core/plan';
import { styles } from './sheet';

const GREEN = '#1f5946';
/** Room for the picture on a letter page within its margins, in points. */
const ROOM = { width: 500, height: 560 };

export interface PagePicture {
  readonly type: string;
  readonly bytes: Uint8Array;
}

const path = (points: readonly (readonly number[])[], closed: boolean) =>
  `M${points.map((point) => point.join(' ')).join('L')}${closed ? 'Z' : ''}`;

/** A plan on a page of its own: the picture, what was traced on it, and a list of the quantities. */
export function PlanPage({
  plan,
  picture,
}: {
  readonly plan: CustomerPlan;
  readonly picture: PagePicture | null;
}) {
  const per = Math.min(ROOM.width / plan.width, ROOM.height / plan.height);
  const [width, height] = [plan.width * per, plan.height * per];
  const stroke = 2 / per;
  return (
    <Page size="LETTER" style={styles.page}>
      <Text style={styles.heading}>{plan.name}</Text>
      <View style={{ width, height, marginTop: 6 }}>
        {picture && (
          // eslint-disable-next-line jsx-a11y/alt-text -- of the PDF, not of a page
          <Image
            style={{ position: 'absolute', width, height }}
            src={{ data: Buffer.from(picture.bytes), format: picture.type === 'image/png' ? 'png' : 'jpg' }}
          />
        )}
        <Svg style={{ position: 'absolute', width, height }} viewBox={`0 0 ${plan.width} ${plan.height}`}>
          {plan.marks.map(({ id, kind, figures }) => (
            <G key={id}>
              {kind === 'area' && figures.length > 0 && (
                <Path
                  d={figures.map(({ points }) => path(points, true)).join('')}
                  fill={GREEN}
                  fillOpacity={0.16}
                  fillRule="evenodd"
                  stroke={GREEN}
                  strokeWidth={stroke}
                />
              )}
              {kind === 'length' &&
                figures.map(({ points }, i) => (
                  <Path
                    key={i}
                    d={path(points, false)}
                    stroke={GREEN}
                    strokeWidth={stroke * 1.6}
                    fill="none"
                  />
                ))}
              {kind === 'count' &&
                figures.flatMap(({ points }, i) =>
                  points.map(([x, y], j) => (
                    <Rect
                      key={`${i} ${j}`}
                      x={x! - 3 * stroke}
                      y={y! - 3 * stroke}
                      width={6 * stroke}
                      height={6 * stroke}
                      fill={GREEN}
                    />
                  )),
                )}
            </G>
          ))}
          {plan.marks.map(({ id, kind, label, figures }) => {
            const [x, y] = labelPlace(kind, figures.find(({ cut }) => !cut)?.points ?? []);
            return figures.length === 0 ? null : (
              <Text
                key={id}
                x={x}
                y={kind === 'area' ? y : y - 5 * stroke}
                textAnchor="middle"
                style={{ fontSize: 9 / per, fontWeight: 700 }}
              >
                {label}
              </Text>
            );
          })}
        </Svg>
      </View>
      {plan.marks.map(({ id, label, quantity }) => (
        <Text key={id} style={{ marginTop: 4 }}>
          {label}
          {quantity ? ` · ${quantity}` : ''}
        </Text>
      ))}
    </Page>
  );
}
