package dev.yardarm.data.csv;

import java.util.List;
import java.util.Locale;

/** What a column of a file holds, and the names such columns go by; earlier names win where a file has several. */
enum ColumnRole {
    TIME(
            "time",
            "datetime",
            "date time",
            "timestamp",
            "date/time",
            "open time",
            "opentime",
            "bar time",
            "start time",
            "datum zeit",
            "datum uhrzeit",
            "datum/zeit",
            "fecha hora",
            "data ora",
            "date heure",
            "ts",
            "unix",
            "unixtime",
            "unix time",
            "unix timestamp",
            "epoch",
            "local time",
            "gmt time",
            "utc time",
            "time utc",
            "date utc",
            "start",
            "begin",
            "t",
            "dt"),
    DATE(
            "date",
            "datum",
            "day",
            "tag",
            "fecha",
            "data",
            "trade date",
            "trading date",
            "trading day",
            "session",
            "date gmt",
            "ymd",
            "yyyymmdd",
            "jour",
            "dia",
            "observation date",
            "obs date",
            "period",
            "month",
            "monat",
            "giorno"),
    CLOCK("time", "time of day", "zeit", "uhrzeit", "hora", "heure", "ora", "hour", "hhmm", "hhmmss", "trade time"),
    OPEN(
            "open",
            "o",
            "open price",
            "opening",
            "opening price",
            "eröffnung",
            "eroeffnung",
            "eröffnungskurs",
            "erster",
            "ouverture",
            "ouv",
            "apertura",
            "abertura",
            "otwarcie",
            "openingskoers"),
    HIGH(
            "high",
            "h",
            "high price",
            "max",
            "maximum",
            "hoch",
            "höchst",
            "hoechst",
            "höchstkurs",
            "tageshoch",
            "haut",
            "plus haut",
            "máximo",
            "maximo",
            "máx",
            "massimo",
            "najwyzszy",
            "hoog"),
    LOW(
            "low",
            "l",
            "low price",
            "min",
            "minimum",
            "tief",
            "tiefst",
            "tiefstkurs",
            "tagestief",
            "bas",
            "plus bas",
            "mínimo",
            "minimo",
            "mín",
            "minimo",
            "najnizszy",
            "laag"),
    CLOSE(
            "close",
            "c",
            "close price",
            "closing price",
            "closing",
            "close/last",
            "last",
            "last price",
            "settle",
            "settlement",
            "schluss",
            "schluß",
            "schlusskurs",
            "schlußkurs",
            "letzter",
            "clôture",
            "cloture",
            "dernier",
            "cierre",
            "último",
            "ultimo",
            "chiusura",
            "fechamento",
            "zamkniecie",
            "slot",
            "slotkoers"),
    ADJUSTED("adj close", "adjusted close", "adj closing price", "close adj", "adjclose", "close adjusted", "adj"),
    VOLUME(
            "volume",
            "vol",
            "v",
            "volumen",
            "umsatz",
            "stück",
            "stueck",
            "volumes",
            "quantity",
            "qty",
            "shares traded",
            "total volume",
            "trade volume",
            "wolumen",
            "tick volume",
            "tickvol"),
    VALUE("value", "val", "wert", "valor", "valeur", "index value"),
    PRICE(
            "price",
            "trade price",
            "tradeprice",
            "px",
            "last",
            "last price",
            "preis",
            "kurs",
            "precio",
            "prix",
            "prezzo"),
    SIZE(
            "size",
            "trade size",
            "volume",
            "vol",
            "qty",
            "quantity",
            "amount",
            "lots",
            "contracts",
            "stück",
            "menge",
            "cantidad",
            "quantité"),
    SIDE("side", "aggressor", "aggressor side", "taker side", "direction", "buy/sell", "seite");

    private final List<String> names;

    ColumnRole(String... names) {
        this.names = List.of(names);
    }

    /** The place of a bare name among the names of this role; -1 when it is none. */
    int rank(String bare) {
        return names.indexOf(bare);
    }

    /** The column that holds this among bare names, the best known name first; -1 when there is none. */
    int in(List<String> bareNames) {
        for (String name : names) {
            int column = bareNames.indexOf(name);
            if (column >= 0) {
                return column;
            }
        }
        return -1;
    }

    /**
     * A name as it is looked up: lower case, without brackets, numbering, units in parentheses and with single blanks for other
     * signs between words.
     */
    static String bare(String name) {
        String plain = name.strip().toLowerCase(Locale.ROOT);
        plain = plain.replaceAll("\\([^)]*\\)$", "").replaceAll("[<>\\[\\]\"*:]", " ");
        plain = plain.replaceAll("[\\s_.-]+", " ").strip();
        return plain.replaceFirst("^\\d+ ", "");
    }
}
