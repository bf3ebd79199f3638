/** A model of the library as it is picked. */
export interface LibraryModel {
  id: number;
  maker: string;
  name: string;
  years: string;
}
