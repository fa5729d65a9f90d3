import type { ThemeConfig } from 'antd'

/** Ant Design in the house's neutrals: no hue but the safelight amber of the one main action. */
export const AMBER = '#9A4B00'
const INK = '#1e1e1e'

export const theme: ThemeConfig = {
  token: {
    colorPrimary: AMBER,
    colorInfo: INK,
    colorLink: INK,
    colorSuccess: INK,
    colorWarning: INK,
    colorError: INK,
    colorText: INK,
    colorTextSecondary: '#5e5e5e',
    colorBgBase: '#fafafa',
    colorBgLayout: '#f3f3f3',
    colorBgContainer: '#fafafa',
    colorBorder: '#8a8a8a',
    colorBorderSecondary: '#d1d1d1',
    controlItemBgActive: '#e2e2e2',
    controlItemBgActiveHover: '#d8d8d8',
    fontFamily: "'Archivo Variable', sans-serif",
    fontSize: 13,
    borderRadius: 2,
    controlHeight: 28,
    controlOutline: 'transparent',
    motion: false,
    boxShadowSecondary: '0 2px 8px rgba(0,0,0,.18)',
  },
  components: {
    Radio: {
      buttonSolidCheckedBg: INK,
      buttonSolidCheckedHoverBg: '#3a3a3a',
      buttonSolidCheckedActiveBg: INK,
      buttonPaddingInline: 10,
      colorPrimary: INK,
      colorPrimaryHover: '#3a3a3a',
    },
    Checkbox: { colorPrimary: INK, colorPrimaryHover: '#3a3a3a' },
    Slider: { handleColor: INK, trackBg: '#8a8a8a', railBg: '#d1d1d1', handleActiveColor: INK, trackHoverBg: '#5e5e5e' },
    Progress: { defaultColor: INK },
    Button: {
      primaryShadow: 'none',
      defaultShadow: 'none',
      fontWeight: 600,
      defaultBorderColor: INK,
      defaultHoverColor: INK,
      defaultHoverBorderColor: INK,
    },
    Select: { optionSelectedBg: '#e2e2e2', activeBorderColor: INK, hoverBorderColor: INK, colorPrimary: INK },
    Input: { activeBorderColor: INK, hoverBorderColor: INK },
    Table: { headerBg: '#f3f3f3', rowHoverBg: '#f3f3f3' },
  },
}
