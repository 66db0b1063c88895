package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Edit;
import dev.yardarm.data.document.EditJournal;
import dev.yardarm.data.document.Entries;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the journal of edits keeps, settles and forgets. */
class EditJournalTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");

    @TempDir
    private Path folder;

    private static EditJournal.Noted<Entries<NamedList>> noted(EditJournal journal, String list) {
        return new EditJournal.Noted<>(
                journal.number(),
                DocumentKind.LISTS,
                "lists",
                Edit.patch(Entries.of(List.of(new NamedList(list, List.of(KTRL)))), null));
    }

    private static List<String> names(EditJournal journal) {
        return journal.unsettled(DocumentKind.LISTS, "lists").stream()
                .flatMap(edit -> edit.put().values().stream())
                .map(NamedList::name)
                .toList();
    }

    /** A line that was cut off costs itself; what comes behind it in the next run is read. */
    @Test
    void aLineThatWasCutOffCostsItself() throws Exception {
        try (EditJournal journal = EditJournal.open(folder)) {
            journal.append(List.of(noted(journal, "A")));
            assertThat(journal.isEmpty()).isFalse();
        }
        Path file = folder.resolve("journal.jsonl");
        Files.writeString(file, Files.readString(file) + "{\"document\": \"yardarm/lists/li");
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(names(journal)).containsExactly("A");
            assertThat(journal.names(DocumentKind.LISTS)).containsExactly("lists");
            journal.append(List.of(noted(journal, "B")));
        }
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(names(journal)).containsExactly("A", "B");
            journal.settled(DocumentKind.LISTS, "lists", 1);
            assertThat(names(journal)).containsExactly("B");
        }
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(names(journal)).containsExactly("B");
            journal.settled(DocumentKind.LISTS, "lists", 99);
            assertThat(journal.size()).isZero();
        }
        assertThat(file).doesNotExist();
    }

    @Test
    void wholeDocumentsAndThoseTakenAwayComeBack() throws Exception {
        try (EditJournal journal = EditJournal.open(folder)) {
            long first = journal.number();
            journal.append(List.of(
                    new EditJournal.Noted<>(
                            first, DocumentKind.MARKET, "market", Edit.whole(new Documents.Market(1, 2, 3, 4))),
                    new EditJournal.Noted<>(
                            journal.number(),
                            DocumentKind.LISTS,
                            "lists",
                            Edit.patch(null, Entries.of(List.of(new NamedList("Gone", List.of(KTRL))))))));
        }
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(journal.unsettled(DocumentKind.MARKET, "market"))
                    .singleElement()
                    .satisfies(edit -> assertThat(edit.whole()).isEqualTo(new Documents.Market(1, 2, 3, 4)));
            assertThat(journal.unsettled(DocumentKind.LISTS, "lists")
                            .get(0)
                            .gone()
                            .values())
                    .extracting(NamedList::name)
                    .containsExactly("Gone");
            assertThat(journal.number()).isGreaterThan(2);
        }
    }

    /** A document may be in its file before its edit is written down; the edit must not come back over what is changed later. */
    @Test
    void whatIsInItsDocumentAlreadyIsNotWrittenDown() throws Exception {
        try (EditJournal journal = EditJournal.open(folder)) {
            EditJournal.Noted<?> late = noted(journal, "late");
            journal.settled(DocumentKind.LISTS, "lists", late.number());
            EditJournal.Noted<?> next = noted(journal, "next");
            journal.append(List.of(late));
            assertThat(journal.isEmpty()).isTrue();
            journal.append(List.of(late, next));
        }
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(names(journal)).containsExactly("next");
        }
    }

    @Test
    void itDoesNotGrowWhileOneDocumentCannotBeWritten() throws Exception {
        try (EditJournal journal = EditJournal.open(folder)) {
            journal.append(List.of(noted(journal, "stays")));
            List<InstrumentId> many = Collections.nCopies(20_000, KTRL);
            for (int edit = 0; edit < 60; edit++) {
                long number = journal.number();
                journal.append(List.of(new EditJournal.Noted<>(
                        number,
                        DocumentKind.SCAN_RUNS,
                        "runs",
                        Edit.whole(Entries.of(List.of(new ScanRun("s", edit, "c", 1, many)))))));
                journal.settled(DocumentKind.SCAN_RUNS, "runs", number);
            }
            assertThat(journal.size()).isLessThan(9L << 20);
        }
        try (EditJournal journal = EditJournal.open(folder)) {
            assertThat(names(journal)).containsExactly("stays");
            assertThat(journal.unsettled(DocumentKind.SCAN_RUNS, "runs")).isEmpty();
        }
    }

    @Test
    void aFolderThatCannotBeWrittenIsTold() throws Exception {
        Files.createDirectory(folder.resolve("journal.jsonl.d"));
        EditJournal journal = EditJournal.open(folder);
        Files.createDirectory(folder.resolve("journal.jsonl"));
        assertThatThrownBy(() -> journal.append(List.of(noted(journal, "A")))).isInstanceOf(IOException.class);
        assertThat(journal.isEmpty()).isTrue();
    }
}
