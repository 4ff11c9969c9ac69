export const load = () => ({ title: 'Bush' });
