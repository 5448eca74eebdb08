package buckle.server.prices;

import buckle.exchange.Json;
import buckle.exchange.document.StoredDocument;
import buckle.price.BookChange;
import buckle.price.BookCheck;
import buckle.price.PriceBook.Item;
import buckle.server.prices.PriceBookMapper.ItemRow;
import buckle.server.prices.PriceBookMapper.RevisionRow;
import buckle.server.revisions.Author;
import buckle.server.web.RequestRefused;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Keeps the price book, revision by revision. Two people may change different items; on the same one the later is asked to look again. */
@Service
public class PriceBookService {
    private static final int AT_ONCE = 2_000;

    private final PriceBookMapper mapper;
    private final Author author;
    private final Clock clock;
    private volatile Book known = new Book(0, Map.of(), List.of());

    PriceBookService(PriceBookMapper mapper, Author author, Clock clock) {
        this.mapper = mapper;
        this.author = author;
        this.clock = clock;
    }

    /**
     * The book as it stands.
     *
     * @param entries the same items in the order of their codes, to search in
     */
    public record Book(int revision, Map<String, Item> items, List<Entry> entries) {}

    /** An item, and what it is found by in small letters. */
    public record Entry(String text, Item item) {
        private boolean has(String[] words) {
            for (String word : words) {
                if (!text.contains(word)) {
                    return false;
                }
            }
            return true;
        }
    }

    /** One page of a search. */
    public record Page(int revision, long found, List<Item> items) {}

    /** As it stands; read from the database once a revision. */
    @Transactional(readOnly = true)
    public Book book() {
        int head = mapper.head();
        Book book = known;
        if (book.revision() != head) {
            Map<String, Item> items = new TreeMap<>();
            for (ItemRow row : mapper.items(head)) {
                items.put(row.code(), StoredDocument.PRICE_ITEM.read(row.doc()));
            }
            book = book(head, items);
            known = book;
        }
        return book;
    }

    private static Book book(int revision, Map<String, Item> items) {
        List<Entry> entries = new ArrayList<>(items.size());
        items.forEach((code, item) -> entries.add(new Entry(
                String.join(
                                "\n",
                                code,
                                item.description(),
                                item.product(),
                                item.offers().stream()
                                        .map(o -> o.supplier())
                                        .distinct()
                                        .collect(Collectors.joining(" ")))
                        .toLowerCase(Locale.ROOT),
                item)));
        return new Book(revision, items, entries);
    }

    /** Items in which every word is found, in the order of their codes. */
    @Transactional(readOnly = true)
    public Page page(String search, int offset, int limit) {
        Book book = book();
        // A long word is in few items: it is looked for first.
        String[] words = search.toLowerCase(Locale.ROOT).strip().split("\\s+");
        Arrays.sort(words, Comparator.comparingInt(String::length).reversed());
        List<Item> found = new ArrayList<>();
        long count = 0;
        for (Entry entry : book.entries()) {
            if (entry.has(words)) {
                if (count >= offset && found.size() < limit) {
                    found.add(entry.item());
                }
                count++;
            }
        }
        return new Page(book.revision(), count, found);
    }

    /** Who changed the book, newest first. */
    @Transactional(readOnly = true)
    public List<RevisionRow> revisions() {
        return mapper.revisions();
    }

    /** What a list would do. */
    @Transactional(readOnly = true)
    public List<BookChange> preview(List<BookChange.Incoming> list, BookChange.Mode mode) {
        return BookChange.of(book().items(), list, mode);
    }

    /** Takes a list over, whole or not at all; refused when the book is not the one that was looked at. */
    @Transactional
    public Page take(List<BookChange.Incoming> list, BookChange.Mode mode, int baseRevision) {
        mapper.lock();
        Book book = book();
        List<BookChange> changes = BookChange.of(book.items(), list, mode);
        if (changes.isEmpty()) {
            return page("", 0, 0);
        }
        if (book.revision() != baseRevision) {
            throw stale(book.revision(), "The price book was changed since you looked. Look at the changes again.");
        }
        return changed(changes, changes.size() == 1 ? "list, 1 item" : "list, " + changes.size() + " items");
    }

    /** Changes or adds one item. */
    @Transactional
    public Page save(Item item, int baseRevision) {
        BookCheck.check(item);
        mapper.lock();
        Item old = book().items().get(item.code());
        if (item.equals(old)) {
            return page("", 0, 0);
        }
        fresh(item.code(), baseRevision);
        return changed(
                List.of(new BookChange(item.code(), Optional.ofNullable(old), Optional.of(item), List.of())),
                item.code());
    }

    /** Takes one item out; quotes that were sent keep it. */
    @Transactional
    public Page remove(String code, int baseRevision) {
        mapper.lock();
        Item old = book().items().get(code);
        if (old == null) {
            return page("", 0, 0);
        }
        fresh(code, baseRevision);
        return changed(
                List.of(new BookChange(code, Optional.of(old), Optional.empty(), List.of())), code + " taken out");
    }

    private void fresh(String code, int baseRevision) {
        if (mapper.changedSince(baseRevision).contains(code)) {
            throw stale(
                    mapper.head(), "“" + code + "” was changed by somebody else in the meantime. Look at it again.");
        }
    }

    private static RequestRefused stale(int head, String sentence) {
        return new RequestRefused(409, "price-book.stale", sentence, Map.of("currentRevision", head));
    }

    private Page changed(List<BookChange> changes, String note) {
        Map<String, Item> items = new TreeMap<>(book().items());
        changes.forEach(c ->
                c.after().ifPresentOrElse(item -> items.put(c.code(), item), () -> items.remove(c.code())));
        int next = mapper.head() + 1;
        mapper.insertRevision(
                new RevisionRow(next, note, author.name(), clock.instant().truncatedTo(ChronoUnit.MICROS)));
        for (int i = 0; i < changes.size(); i += AT_ONCE) {
            List<BookChange> some = changes.subList(i, Integer.min(changes.size(), i + AT_ONCE));
            List<String> ended = some.stream()
                    .filter(c -> c.before().isPresent())
                    .map(BookChange::code)
                    .toList();
            if (!ended.isEmpty()) {
                mapper.end(next, Json.MAPPER.writeValueAsString(ended));
            }
            String written = some.parallelStream()
                    .flatMap(c -> c.after().stream())
                    .map(StoredDocument.PRICE_ITEM::write)
                    .collect(Collectors.joining(",", "[", "]"));
            mapper.insert(next, written);
        }
        keep(book(next, items));
        return new Page(next, changes.size(), List.of());
    }

    /** Once it is stored the book is known without being read back. */
    private void keep(Book book) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                known = book;
            }
        });
    }

    /** All suppliers that any item names, in the order of the alphabet. */
    @Transactional(readOnly = true)
    public List<String> suppliers() {
        Set<String> names = new HashSet<>();
        book().items().values().forEach(i -> i.offers().forEach(o -> names.add(o.supplier())));
        return names.stream().sorted().toList();
    }
}
