package dev.yardarm.desk.room.layout;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;

/** Reads the text form of an arrangement. */
final class ArrangementReader {
    private final String text;
    private int at;

    ArrangementReader(String text) {
        this.text = text.replace(" ", "");
    }

    Arrangement whole() {
        Arrangement read = one();
        if (at < text.length()) {
            throw wrong("nothing more");
        }
        List<Integer> charts = read.charts();
        if (new HashSet<>(charts).size() != charts.size() || charts.size() > Arrangement.MOST) {
            throw new IllegalArgumentException(
                    "a layout has 1 to " + Arrangement.MOST + " charts, each of them once: " + text);
        }
        return read;
    }

    private Arrangement one() {
        if (text.startsWith("row(", at) || text.startsWith("col(", at)) {
            boolean sideBySide = text.startsWith("row(", at);
            at += 4;
            List<Arrangement> parts = new ArrayList<>();
            List<Double> weights = new ArrayList<>();
            do {
                parts.add(one());
                weights.add(weight());
            } while (skip(','));
            if (!skip(')') || parts.size() < 2) {
                throw wrong("two or more parts and a closing bracket");
            }
            return new Arrangement.Parts(sideBySide, parts, weights);
        }
        int start = at;
        while (at < text.length() && Character.isDigit(text.charAt(at)) && at - start < 3) {
            at++;
        }
        if (at == start) {
            throw wrong("a chart's number, row( or col(");
        }
        return new Arrangement.Single(Integer.parseInt(text.substring(start, at)));
    }

    private double weight() {
        if (!skip('*')) {
            return 1;
        }
        int start = at;
        while (at < text.length() && (Character.isDigit(text.charAt(at)) || text.charAt(at) == '.')) {
            at++;
        }
        try {
            double weight = Double.parseDouble(text.substring(start, at));
            if (weight > 0) {
                return weight;
            }
        } catch (NumberFormatException noNumber) {
            // told below
        }
        throw wrong("a weight above zero");
    }

    private boolean skip(char wanted) {
        if (at < text.length() && text.charAt(at) == wanted) {
            at++;
            return true;
        }
        return false;
    }

    private IllegalArgumentException wrong(String expected) {
        return new IllegalArgumentException("'" + text + "' is not a layout: expected " + expected + " at position "
                + (at + 1) + "; write it as 2x2, 3 or row(0,col(1,2))");
    }
}
