package dev.yardarm.app.chart;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.render.ChartPainter;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.chart.surface.SvgSurface;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.work.Lane;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import javafx.embed.swing.SwingFXUtils;
import javafx.print.PageLayout;
import javafx.print.PageOrientation;
import javafx.print.Paper;
import javafx.print.Printer;
import javafx.print.PrinterJob;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.stage.FileChooser;
import javax.imageio.ImageIO;

/** A chart leaves the application: as a picture (PNG, SVG), to the clipboard, to the printer, its data as CSV. */
public final class ChartOutput {
    private final ChartRoom room;
    private final ChartView view;
    private final Workbench bench;

    public ChartOutput(ChartRoom room, ChartView view, Workbench bench) {
        this.room = room;
        this.view = view;
        this.bench = bench;
    }

    private String name() {
        String code = room.instrument().map(each -> each.code()).orElse("chart");
        return (code + " " + room.chart().request().shortText()).replaceAll("[^A-Za-z0-9._-]+", "-");
    }

    public void copy() {
        ClipboardContent content = new ClipboardContent();
        content.putImage(view.snapshot(null, null));
        Clipboard.getSystemClipboard().setContent(content);
        bench.desk().tell("The picture of the chart is on the clipboard.");
    }

    /** Asks for a file and writes the picture to it. */
    public void save() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the chart");
        chooser.setInitialFileName(name() + ".png");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("PNG picture", "*.png"),
                        new FileChooser.ExtensionFilter("SVG picture", "*.svg"));
        File chosen = chooser.showSaveDialog(view.getScene().getWindow());
        if (chosen != null) {
            save(chosen.toPath());
        }
    }

    /** Asks for a file and writes the visible data to it. */
    public void saveData() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save the visible data");
        chooser.setInitialFileName(name() + ".csv");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("CSV", "*.csv"));
        File chosen = chooser.showSaveDialog(view.getScene().getWindow());
        if (chosen != null) {
            save(chosen.toPath());
        }
    }

    /**
     * Writes a file by its ending: png, svg or csv; tells what was written or why not. What goes into it is taken at once,
     * the writing happens in the background, and the file appears only when it is complete.
     */
    public void save(Path file) {
        String ending = file.toString().toLowerCase(Locale.ROOT);
        if (ending.endsWith(".svg")) {
            write(file, svg().getBytes(StandardCharsets.UTF_8));
        } else if (ending.endsWith(".csv")) {
            write(file, csv().getBytes(StandardCharsets.UTF_8));
        } else if (ending.endsWith(".png")) {
            BufferedImage picture = SwingFXUtils.fromFXImage(view.snapshot(null, null), null);
            inBackground(file, () -> {
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                ImageIO.write(picture, "png", bytes);
                return bytes.toByteArray();
            });
        } else {
            bench.desk().tell("A chart is saved as png, svg or csv; " + file + " ends with none of these.");
        }
    }

    private void write(Path file, byte[] content) {
        inBackground(file, () -> content);
    }

    private void inBackground(Path file, Callable<byte[]> content) {
        bench.desk()
                .scheduler()
                .start(
                        Lane.BEHIND,
                        "save " + file,
                        "",
                        job -> {
                            TextFile.write(file, content.call());
                            return file;
                        },
                        done -> bench.desk().tell("Saved: " + file),
                        failed -> bench.desk().tell(file + " cannot be written: " + failed.getMessage()));
    }

    /** The chart as an SVG document in the theme that is on. */
    String svg() {
        ChartModel chart = room.chart();
        SvgSurface surface = new SvgSurface(chart.width(), chart.height(), CanvasSurface::width);
        ChartPainter painter = new ChartPainter();
        painter.paint(chart, bench.palette(), surface);
        painter.paintLegend(chart, surface);
        room.instrument()
                .ifPresent(instrument -> surface.text(
                        instrument.code() + "  " + instrument.name() + "   "
                                + chart.request().shortText(),
                        8,
                        12,
                        Type.STRONG,
                        Align.LEFT,
                        bench.palette().of(Palette.Role.INK)));
        return surface.document();
    }

    /** The bars in view with the values of all layers. */
    String csv() {
        ChartModel chart = room.chart();
        Bars bars = chart.bars();
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume");
        List<ChartData.Line> lines = new ArrayList<>();
        for (IndicatorLayer layer : chart.indicators()) {
            List<ChartData.Line> own = chart.data().of(layer);
            for (int output = 0; output < own.size(); output++) {
                String name = layer.title()
                        + (own.size() > 1
                                ? " " + layer.indicator().outputs().get(output).name()
                                : "");
                text.append(',').append(name.contains(",") ? '"' + name + '"' : name);
                lines.add(own.get(output));
            }
        }
        text.append('\n');
        for (int bar = chart.time().firstVisible(); bar < chart.time().endVisible(bars.size()); bar++) {
            text.append(Times.at(bars.openTime(bar), chart.zone())
                    .toOffsetDateTime()
                    .format(DateTimeFormatter.ISO_OFFSET_DATE_TIME));
            for (double value :
                    new double[] {bars.open(bar), bars.high(bar), bars.low(bar), bars.close(bar), bars.volume(bar)}) {
                text.append(',').append(number(value));
            }
            for (ChartData.Line line : lines) {
                text.append(',').append(number(line.column().at(bar)));
            }
            text.append('\n');
        }
        return text.toString();
    }

    private static String number(double value) {
        return Double.isNaN(value)
                ? ""
                : new java.math.BigDecimal(Double.toString(value))
                        .stripTrailingZeros()
                        .toPlainString();
    }

    public void print() {
        if (Printer.getDefaultPrinter() == null) {
            bench.desk().tell("There is no printer here. Save the chart as PNG or SVG instead.");
            return;
        }
        PrinterJob job = PrinterJob.createPrinterJob();
        if (job == null || !job.showPrintDialog(view.getScene().getWindow())) {
            return;
        }
        PageLayout page =
                job.getPrinter().createPageLayout(Paper.A4, PageOrientation.LANDSCAPE, Printer.MarginType.DEFAULT);
        ImageView picture = new ImageView(view.snapshot(null, null));
        picture.setPreserveRatio(true);
        picture.setFitWidth(page.getPrintableWidth());
        picture.setFitHeight(page.getPrintableHeight());
        if (job.printPage(page, picture)) {
            job.endJob();
            bench.desk().tell("The chart went to " + job.getPrinter().getName() + ".");
        } else {
            bench.desk()
                    .tell("The chart could not be printed (" + job.getJobStatus()
                            + "). Save it as a picture instead: save chart.png.");
        }
    }
}
