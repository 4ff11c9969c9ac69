export const load = () => ({ title: 'Coilover' });
