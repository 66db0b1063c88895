package dev.yardarm.core.plain;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Language;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Plain sentences against the definitions they are to become; the sentences stand in a file beside this class. */
class PlainInterpreterTest {
    private static final Language LANGUAGE = Language.builtIn();
    private final Interpreter interpreter = new PlainInterpreter();

    /** A sentence of the file. */
    private record Said(boolean more, String sentence, String unclear, String asked, String text) {}

    private static List<Said> corpus() throws IOException {
        List<Said> all = new ArrayList<>();
        try (var file = PlainInterpreterTest.class.getResourceAsStream("sentences.txt")) {
            String sentence = null;
            boolean more = false;
            String unclear = "";
            String asked = "";
            StringBuilder text = new StringBuilder();
            for (String line : (new String(file.readAllBytes(), StandardCharsets.UTF_8) + "> end\n").split("\n")) {
                if (line.startsWith("> ") || line.startsWith("+ ")) {
                    if (sentence != null) {
                        all.add(new Said(more, sentence, unclear, asked, text.toString()));
                    }
                    more = line.startsWith("+");
                    sentence = line.substring(2);
                    unclear = "";
                    asked = "";
                    text.setLength(0);
                } else if (line.startsWith("? ")) {
                    unclear = line.substring(2);
                } else if (line.startsWith("! ")) {
                    asked = line.substring(2);
                } else if (line.startsWith("    ")) {
                    text.append(line.substring(4)).append('\n');
                }
            }
        }
        return all;
    }

    @Test
    void sentencesBecomeTheDefinitionsTheyAreToBecome() throws IOException {
        List<Said> all = corpus();
        assertThat(all).hasSizeGreaterThan(150);
        String text = "";
        int understood = 0;
        for (Said said : all) {
            Reading reading = interpreter.read(said.sentence(), said.more() ? text : "", LANGUAGE);
            text = reading.text();
            assertThat(text).as(said.sentence()).isEqualTo(said.text());
            assertThat(String.join(" | ", reading.unclear()))
                    .as(said.sentence())
                    .isEqualTo(said.unclear());
            assertThat(String.join(" | ", reading.asked())).as(said.sentence()).isEqualTo(said.asked());
            if (!text.isEmpty()) {
                Definition.parse(text, LANGUAGE);
            }
            understood += reading.unclear().isEmpty() && reading.asked().isEmpty() ? 1 : 0;
        }
        assertThat(understood).isGreaterThan(130);
    }

    @Test
    void threeSentencesMakeAStrongBar() {
        Reading first =
                interpreter.read("colour bars whose low stays over a climbing 40-bar weighted average", "", LANGUAGE);
        Reading second = interpreter.read("make the average adjustable", first.text(), LANGUAGE);
        Reading third = interpreter.read("name those bars Strong and give them a cue", second.text(), LANGUAGE);
        assertThat(third.text())
                .isEqualTo(
                        """
                        define "Coloured bars" in price
                        setting length = 40 from 2 to 400
                        let average = wma(close, length)
                        tint "Strong" rise when low > average and average is rising
                        cue "Strong begins" when just strong
                        """);
        assertThat(third.understood()).hasSize(2);
        assertThat(first.changes("")).isTrue();
    }

    @Test
    void whatIsWrittenByHandStaysAsItIs() {
        String own =
                "// mine\ndefine \"Mine\" in price\n\nlet   slow = sma( close,50 )  // slow\ntint \"Up\" rise when close>slow\n";
        String text = interpreter.read("call them High", own, LANGUAGE).text();
        assertThat(text).isEqualTo(own.replace("\"Up\"", "\"High\""));
        assertThat(interpreter
                        .read("only when volume is above 1000", own, LANGUAGE)
                        .text())
                .isEqualTo(own.replace("close>slow", "close>slow and volume > 1000"));
    }

    @Test
    void aMissingFigureIsAskedForAndNothingIsGuessed() {
        for (String sentence : List.of(
                "colour bars above the average",
                "tell me when the rsi is above 70",
                "mark bars where close is near the 20-bar average",
                "warn me if the low is within 0.5 atr of the 50-bar average")) {
            Reading reading = interpreter.read(sentence, "", LANGUAGE);
            assertThat(reading.text()).as(sentence).isEmpty();
            assertThat(reading.asked().isEmpty() && reading.unclear().isEmpty())
                    .as(sentence)
                    .isFalse();
        }
    }

    @Test
    void nonsenseBreaksNothing() {
        Random random = new Random(7);
        String[] words =
                ("colour bars where close is above the 20 bar average and not volume make it adjustable \"x\" # 5 % of "
                                + "for 3 just remove the line call them name in teal between or when whose low crosses highest")
                        .split(" ");
        String text = "";
        for (int round = 0; round < 3000; round++) {
            StringBuilder sentence = new StringBuilder();
            for (int word = random.nextInt(14); word >= 0; word--) {
                sentence.append(words[random.nextInt(words.length)]).append(' ');
            }
            Reading reading = interpreter.read(sentence.toString(), text, LANGUAGE);
            if (!reading.text().isEmpty()) {
                Definition.parse(reading.text(), LANGUAGE);
            }
            text = round % 5 == 0 ? "" : reading.text();
        }
    }
}
