/** Colors of the drawing. Stone on purpose: no skin color. */
export const LOOK = {
  stone: '#cfc9bf',
  nail: '#e0dbd2',
  crease: '#6f675f',
  outline: '#4b4440',
  ghost: '#ece7de',
  ghostLine: '#cdc5b8',
  helper: '#e9e4da',
  helperLine: '#9b938a',
  /** The segments that move. */
  moving: '#7fa3a3',
  arrow: '#0f5c63',
  /** Where a limit stops the movement. */
  limit: '#9a6a00',
  shirt: '#9db3b3',
  wood: '#d9c7a8',
  cloth: '#c9d3d4',
  soft: '#b9c7b0',
  band: '#b58a8a',
  metal: '#a7adb2',
  paper: '#fbf8f2',
  orthosis: '#8fa9bd',
} as const
