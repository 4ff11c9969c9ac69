export const load = () => ({ title: 'Spring' });
