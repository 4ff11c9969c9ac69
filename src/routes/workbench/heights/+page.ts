export const load = () => ({ title: 'Heights' });
