package buckle.exchange.in;

import buckle.site.Mark;
import buckle.site.Texts;
import buckle.site.Walk;
import java.util.List;

/** What a file of tracks or lines holds, before anything is cleaned but the texts. */
public record Tracks(List<Walk> walks, List<Mark> marks, List<String> leftOut) {
    public Tracks {
        walks = walks.stream()
                .map(w -> new Walk(Texts.cleaned(w.name(), Texts.LONGEST_NAME, false), w.stretches()))
                .toList();
        marks = marks.stream()
                .map(m -> new Mark(Texts.cleaned(m.name(), Texts.LONGEST_NAME, false), m.at()))
                .toList();
        leftOut = leftOut.stream()
                .map(l -> Texts.cleaned(l, Texts.LONGEST_NAME, false))
                .toList();
    }
}
