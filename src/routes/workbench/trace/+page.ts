export const load = () => ({ title: 'Torque trace' });
