export const load = () => ({ title: 'Corner' });
