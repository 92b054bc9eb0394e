/** Whether a text holds every word of a search, whatever their case. */
export function holdsWords(search: string): (text: string) => boolean {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return (text) => words.every((word) => text.toLowerCase().includes(word));
}
