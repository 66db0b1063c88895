package dev.yardarm.desk.book;

import dev.yardarm.core.merge.KeyedMerge;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Edit;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.document.Kept;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * Things of one kind that the trader made, in their order, told apart by a key: held in memory, saved with each change.
 *
 * <pre>{@code
 * undo.execute(alerts.change("remove an alert", all -> without(all, alert)));
 * }</pre>
 *
 * <p><b>Undo is a patch</b>: a step takes back what it was about and nothing else. Whatever came meanwhile - from another step,
 * from a watch, from another copy of the application - stays as it is.
 *
 * <p><b>Nothing is lost</b>: an entry that cannot be read, and fields nobody here knows, are written back as they were. When
 * another copy has changed the file, both changes are brought together before writing ({@link KeyedMerge}).
 *
 * <p>Used by the interface's thread; opened on any. The file is written and joined by the saver's thread, which touches nothing
 * but the immutable lists it was handed. Cost of a change: linear in the number of things.
 *
 * @param <K> tells things apart
 * @param <V> a thing; a value that does not change
 */
public final class Shelf<K, V> {
    private final ShelfKind<K, V, ?> kind;
    private final Listeners<Set<K>> listeners = new Listeners<>();
    private final BiConsumer<List<V>, List<V>> save;
    private List<V> all;
    /** Those of {@link #all} by their keys; null until it is asked for. Some who only ask do so from the background. */
    private volatile Map<K, V> byKey;

    private final List<ShelfGroups<?, V>> groups = new ArrayList<>();

    private Shelf(ShelfKind<K, V, ?> kind, List<V> all, BiConsumer<List<V>, List<V>> save) {
        this.kind = kind;
        this.all = all;
        this.save = save;
    }

    /**
     * Opens a shelf from its file.
     *
     * @param front the interface's thread
     * @param standard what is on it when there is no file
     */
    static <K, V, E> Shelf<K, V> open(ShelfKind<K, V, E> kind, DocumentSaver saver, Executor front, List<V> standard) {
        File<K, V, E> file = new File<>(kind, saver, front);
        Shelf<K, V> shelf = new Shelf<>(kind, file.open(standard), file::save);
        file.shelf = shelf;
        return shelf;
    }

    /** All of them, in their order. */
    public List<V> all() {
        return all;
    }

    /** The one of a key; O(1) but for the first question after a change. */
    public Optional<V> get(K key) {
        return Optional.ofNullable(byKey().get(key));
    }

    private Map<K, V> byKey() {
        Map<K, V> known = byKey;
        if (known == null) {
            Map<K, V> made = new ConcurrentHashMap<>(2 * all.size());
            all.forEach(each -> made.putIfAbsent(kind.key().apply(each), each));
            byKey = made;
            known = made;
        }
        return known;
    }

    /** The things by what several of them have in common; kept as things come, so that one more costs that one. */
    public <G> ShelfGroups<G, V> groups(Function<V, G> of) {
        ShelfGroups<G, V> made = new ShelfGroups<>(this::all, of);
        groups.add(made);
        return made;
    }

    /** Tells the keys of what was added, changed or taken away. */
    public Listening listen(Consumer<Set<K>> listener) {
        return listeners.add(listener);
    }

    /** Puts something on the shelf, in the place of what has its key or at the end; no step of undo. */
    public void put(V value) {
        K key = kind.key().apply(value);
        V before = byKey().get(key);
        if (value.equals(before)) {
            return;
        }
        List<V> changed = new ArrayList<>(all.size() + 1);
        changed.addAll(all);
        if (before == null) {
            changed.add(value);
        } else {
            // The very one that is there: no other has its key.
            for (int at = 0; at < changed.size(); at++) {
                if (changed.get(at) == before) {
                    changed.set(at, value);
                }
            }
        }
        // What is known of the keys stays so, but for this one.
        Map<K, V> known = byKey();
        List<V> was = all;
        all = Collections.unmodifiableList(changed);
        known.put(key, value);
        groups.forEach(before == null ? each -> each.added(value) : ShelfGroups::changed);
        save.accept(was, all);
        listeners.tell(Set.of(key));
    }

    /** Takes something away; no step of undo. */
    public void remove(K key) {
        replace(all.stream().filter(each -> !kind.key().apply(each).equals(key)).toList());
    }

    /** Puts other things in the place of all; no step of undo. */
    public void replace(List<V> changed) {
        List<V> before = all;
        if (changed.equals(before)) {
            return;
        }
        all = List.copyOf(changed);
        byKey = null;
        groups.forEach(ShelfGroups::changed);
        save.accept(before, all);
        listeners.tell(differing(before, all));
    }

    private Set<K> differing(List<V> before, List<V> after) {
        Map<K, V> was = new LinkedHashMap<>();
        before.forEach(each -> was.put(kind.key().apply(each), each));
        Set<K> keys = new HashSet<>();
        for (V each : after) {
            K key = kind.key().apply(each);
            V old = was.remove(key);
            // Most are the very same; comparing them part by part would take long.
            if (old != each && !Objects.equals(old, each)) {
                keys.add(key);
            }
        }
        keys.addAll(was.keySet());
        return keys;
    }

    /** A step of undo that makes other things of these; see {@link #change(String, String, List)}. */
    public Command change(String label, UnaryOperator<List<V>> edit) {
        return change(label, "", edit.apply(all));
    }

    /**
     * A step of undo from how things stand now to how they shall stand. Done, undone or done again later, it touches what
     * differs between the two and leaves everything else as it has become.
     *
     * @param stem steps of one stem in a row are one; empty for none
     */
    public Command change(String label, String stem, List<V> after) {
        List<V> before = all;
        List<V> wanted = List.copyOf(after);
        return Command.of(label, stem, () -> apply(before, wanted), () -> apply(wanted, before));
    }

    private void apply(List<V> from, List<V> to) {
        replace(kind.merge().apply(all, from, to));
    }

    /** The file of a shelf: what was in it that nothing here understands, and how both changes of two copies come together. */
    private static final class File<K, V, E> implements DocumentStore.Joining<Entries<E>> {
        private final ShelfKind<K, V, E> kind;
        private final DocumentSaver saver;
        private final Executor front;
        private final Map<K, Kept> known = new LinkedHashMap<>();
        private final List<Entries.Entry<E>> unread = new ArrayList<>();
        private Shelf<K, V> shelf;
        /** As the file was read or written last; of the saver's thread. */
        private volatile List<V> inFile = List.of();

        private List<V> ours;
        private List<V> both;

        File(ShelfKind<K, V, E> kind, DocumentSaver saver, Executor front) {
            this.kind = kind;
            this.saver = saver;
            this.front = front;
        }

        List<V> open(List<V> standard) {
            Optional<Entries<E>> saved = saver.store().read(kind.document(), kind.name());
            saver.store().takeNotices().forEach(saver::tell);
            List<V> read = List.copyOf(standard);
            if (saved.isPresent()) {
                List<String> problems = new ArrayList<>();
                read = read(saved.get(), problems);
                if (!problems.isEmpty()) {
                    tellUnread(read.size(), problems);
                }
                inFile = read;
            }
            List<Edit<Entries<E>>> edits = saver.journal().unsettled(kind.document(), kind.name());
            if (edits.isEmpty()) {
                return read;
            }
            List<V> after = read;
            for (Edit<Entries<E>> edit : edits) {
                after = carriedOut(edit, after);
            }
            save(read, after);
            return after;
        }

        /** The things after an edit that a crash kept from the file. */
        private List<V> carriedOut(Edit<Entries<E>> edit, List<V> before) {
            if (edit.whole() != null) {
                return readable(edit.whole());
            }
            Map<K, V> after = new LinkedHashMap<>();
            before.forEach(each -> after.put(kind.key().apply(each), each));
            if (edit.gone() != null) {
                readable(edit.gone()).forEach(each -> after.remove(kind.key().apply(each)));
            }
            if (edit.put() != null) {
                readable(edit.put()).forEach(each -> after.put(kind.key().apply(each), each));
            }
            return List.copyOf(after.values());
        }

        private List<V> readable(Entries<E> entries) {
            List<V> values = new ArrayList<>();
            for (E entry : entries.values()) {
                try {
                    values.add(kind.read().apply(entry));
                } catch (RuntimeException bad) {
                    // it was written by this program, and can be no better in the file
                }
            }
            return values;
        }

        /** What a change was about: what is no longer the very same, or everything where the order became another. */
        private Edit<Entries<E>> edit(List<V> before, List<V> after) {
            Map<K, V> was = new LinkedHashMap<>();
            before.forEach(each -> was.put(kind.key().apply(each), each));
            List<K> kept = new ArrayList<>();
            List<Entries.Entry<E>> put = new ArrayList<>();
            boolean added = false;
            boolean between = false;
            for (V each : after) {
                K key = kind.key().apply(each);
                V old = was.get(key);
                if (old == null) {
                    added = true;
                } else {
                    kept.add(key);
                    between |= added;
                }
                if (old != each) {
                    put.add(new Entries.Entry<>(kind.write().apply(each), null, ""));
                }
            }
            Set<K> left = new HashSet<>(kept);
            List<E> gone = new ArrayList<>();
            List<K> order = new ArrayList<>();
            was.forEach((key, value) -> {
                if (left.contains(key)) {
                    order.add(key);
                } else {
                    gone.add(kind.write().apply(value));
                }
            });
            return between || !order.equals(kept)
                    ? Edit.whole(document(after))
                    : Edit.patch(new Entries<>(put), Entries.of(gone));
        }

        private void tellUnread(int count, List<String> problems) {
            String kept;
            try {
                kept = "the file as it was is kept as " + saver.store().keepAside(kind.document(), kind.name());
            } catch (IOException failed) {
                kept = "the file could not be copied: " + failed.getMessage();
            }
            saver.tell("Of the " + kind.document().title() + " " + count + " could be read, " + problems.size()
                    + " not (" + Notice.few(problems) + "); they stay in the file as they are, and " + kept + ".");
        }

        /** The things of a document; what cannot be read is remembered to be written back. */
        private synchronized List<V> read(Entries<E> entries, List<String> problems) {
            Map<K, V> found = new LinkedHashMap<>();
            unread.clear();
            int number = 0;
            for (Entries.Entry<E> entry : entries.all()) {
                number++;
                String problem = entry.problem();
                if (entry.value() != null) {
                    try {
                        V value = kind.read().apply(entry.value());
                        K key = kind.key().apply(value);
                        if (found.putIfAbsent(key, value) == null && entry.kept() != null) {
                            known.put(key, entry.kept());
                        }
                        continue;
                    } catch (RuntimeException bad) {
                        problem = bad instanceof IllegalArgumentException
                                ? bad.getMessage()
                                : "something is missing in it";
                    }
                }
                unread.add(new Entries.Entry<>(null, entry.kept(), problem));
                problems.add("entry " + number + ": " + problem);
            }
            return List.copyOf(found.values());
        }

        void save(List<V> before, List<V> values) {
            saver.save(kind.document(), kind.name(), () -> document(values), this, false, () -> edit(before, values));
        }

        private synchronized Entries<E> document(List<V> values) {
            List<Entries.Entry<E>> all = new ArrayList<>();
            values.forEach(value -> all.add(new Entries.Entry<>(
                    kind.write().apply(value), known.get(kind.key().apply(value)), "")));
            all.addAll(unread);
            return new Entries<>(all);
        }

        private List<V> values(Entries<E> entries) {
            return entries.values().stream().map(kind.read()).toList();
        }

        @Override
        public Entries<E> join(Entries<E> own, Entries<E> others) {
            ours = values(own);
            both = kind.merge().merge(inFile, ours, read(others, new ArrayList<>()));
            return document(both);
        }

        @Override
        public void written(Entries<E> document) {
            inFile = values(document);
            if (both != null && !both.equals(ours)) {
                List<V> saved = ours;
                List<V> joined = both;
                front.execute(() -> {
                    saver.tell(
                            "The " + kind.document().title()
                                    + " were changed by another copy of Yardarm; both versions are kept side by side. Delete the one you do not want.");
                    shelf.replace(kind.merge().merge(saved, shelf.all(), joined));
                });
            }
            both = null;
        }
    }
}
