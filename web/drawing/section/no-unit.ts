export const noUnit = (text: string): string => text.replace(/ (in|mm)$/, '');
