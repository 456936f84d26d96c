import type { ThemeConfig } from 'antd';
import { dark, light } from './colours';

/** Class under which Ant Design's custom properties stand. */
export const tokenClass = 'impegno';

/** Ant Design after the product's own look. Used to write the style sheet; the browser runs none of this. */
export function antTheme(colours: typeof light | typeof dark): ThemeConfig {
  return {
    cssVar: { key: tokenClass },
    hashed: false,
    token: {
      colorPrimary: colours.green,
      colorLink: colours.green,
      colorInfo: colours.green,
      colorSuccess: colours.green,
      colorWarning: colours.marigold,
      colorError: colours.madder,
      colorTextBase: colours.ink,
      colorBgBase: colours.paper,
      colorBgLayout: colours.ground,
      colorBgElevated: colours.raised,
      colorBorder: colours.line,
      colorBorderSecondary: colours.hairline,
      colorTextLightSolid: colours.onGreen,
      colorTextPlaceholder: colours.soft,
      colorTextDescription: colours.soft,
      // Tints of their own: those computed from a cream ground come out grey.
      colorPrimaryBg: colours.greenTint,
      colorPrimaryBgHover: colours.greenTint,
      colorSuccessBg: colours.greenTint,
      colorInfoBg: colours.greenTint,
      colorWarningBg: colours.marigoldTint,
      colorErrorBg: colours.madderTint,
      controlItemBgActive: colours.greenTint,
      controlItemBgActiveHover: colours.greenTint,
      fontFamily: 'var(--font-work)',
      fontSize: 14,
      borderRadius: 4,
      controlHeight: 34,
      motionDurationMid: '0.12s',
      motionDurationSlow: '0.16s',
    },
    components: {
      Statistic: { titleFontSize: 12.5, contentFontSize: 21 },
      Tag: { defaultBg: colours.paper, defaultColor: colours.ink },
      Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 500 },
      Table: {
        headerBg: colours.ground,
        headerColor: colours.soft,
        headerSplitColor: 'transparent',
        colorBgContainer: colours.paper,
        headerSortActiveBg: colours.ground,
        headerSortHoverBg: colours.hairline,
        bodySortBg: colours.paper,
        rowHoverBg: colours.greenTint,
        rowSelectedBg: colours.greenTint,
        rowSelectedHoverBg: colours.greenTint,
        cellPaddingBlock: 9,
      },
    },
  };
}

export { dark, light };
