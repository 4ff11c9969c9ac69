export const load = () => ({ title: 'Bolt and wrench' });
