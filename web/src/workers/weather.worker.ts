import { MOST_WEATHER_CHARS, readWeather, type WeatherRead } from '@joulemetric/core';
import { expose } from 'comlink';

const weatherWorker = {
  async read(file: File): Promise<WeatherRead> {
    if (file.size > 2 * MOST_WEATHER_CHARS) throw new Error('It is larger than 40 MB: no file of hours is.');
    return readWeather(await file.text());
  },
};

export type WeatherWorker = typeof weatherWorker;

expose(weatherWorker);
