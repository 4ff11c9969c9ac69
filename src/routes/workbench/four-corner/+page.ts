export const load = () => ({ title: 'Four corners' });
