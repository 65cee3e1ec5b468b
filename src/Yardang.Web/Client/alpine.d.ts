declare module '@alpinejs/csp' {
  import type { Alpine } from 'alpinejs';
  const alpine: Alpine;
  export default alpine;
}
