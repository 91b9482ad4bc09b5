declare module '*.bin?url' {
  const url: string
  export default url
}
