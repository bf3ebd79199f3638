/*
 * What the bundler takes for `d3-time` and `d3-time-format`: d3-scale names them for scales of time, which nothing here draws,
 * and they would weigh more than all else of it. `next.config.mjs` says so.
 */
const nothing = undefined;

export {
  nothing as timeDay,
  nothing as timeFormat,
  nothing as timeHour,
  nothing as timeMinute,
  nothing as timeMonth,
  nothing as timeSecond,
  nothing as timeTickInterval,
  nothing as timeTicks,
  nothing as timeWeek,
  nothing as timeYear,
  nothing as utcDay,
  nothing as utcFormat,
  nothing as utcHour,
  nothing as utcMinute,
  nothing as utcMonth,
  nothing as utcSecond,
  nothing as utcTickInterval,
  nothing as utcTicks,
  nothing as utcWeek,
  nothing as utcYear,
};
