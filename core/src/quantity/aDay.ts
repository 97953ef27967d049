/** "a day", "/d", "pro Tag", "par jour": how a rate of a day is written, here and in the languages of plates. */
export const PER = '(?:\\s*(?:/|per|an?|each|every|pro|par|al|am|je|por)\\s*)';
export const DAY = '(?:day|d|tag|jour|d[ií]a|giorno|dag)';
export const DAILY = '(?:daily|täglich|taeglich|dagelijks)';
