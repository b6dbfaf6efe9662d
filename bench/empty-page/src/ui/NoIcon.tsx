export default function NoIcon() {
  return null;
}
