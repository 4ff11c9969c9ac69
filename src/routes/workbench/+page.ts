export const load = () => ({ title: 'Workbench' });
