export function drawingHash(): string
