/**
 * Plots that are not price charts: axes of numbers, moments or names, and on them lines, columns, points or cells of heat. A
 * {@link dev.yardarm.chart.plot.Plot} says what there is, {@link dev.yardarm.chart.plot.PlotLayout} where it lies,
 * {@link dev.yardarm.chart.plot.PlotPainter} draws it on a surface.
 *
 * <pre>{@code
 * Plot plot = Plot.of("Average by month", PlotAxis.names("month", months), PlotAxis.numbers("change, %"))
 *         .with(new PlotSeries.Columns("average", 0, xs, ys));
 * PlotLayout layout = PlotLayout.of(plot, 640, 360, surface::textWidth);
 * new PlotPainter().paint(layout, palette, surface);
 * layout.readout(x, y).ifPresent(readout -> show(readout.text()));
 * }</pre>
 */
package dev.yardarm.chart.plot;
