export default function demoDropped() {
  globalThis.dropDemo?.();
}
