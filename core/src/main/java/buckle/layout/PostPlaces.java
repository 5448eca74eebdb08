package buckle.layout;

import buckle.land.Contact;
import buckle.land.LandKind;
import buckle.message.LayoutMessage.LostWhy;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.LineBook.PostOverride;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Where posts stand between the strong ones: evened to the spacing, at crests, hollows and banks, as people overrode it. */
final class PostPlaces {
    /** An override whose ends lie further off the line than this has lost its place. */
    private static final double FAR_OFF_M = 10;

    private static final double LEAST_STRETCH_M = 0.5;

    private final Spec spec;
    private final List<Stretch> stretches = new ArrayList<>();
    private final double lengthM;

    /** An override by station; {@code fromM > toM} runs over the seam of a closed line. */
    record Stretch(PostOverride choice, double fromM, double toM) {
        boolean covers(double stationM) {
            return fromM <= toM ? fromM <= stationM && stationM <= toM : stationM >= fromM || stationM <= toM;
        }

        boolean single() {
            return fromM <= toM
                    && toM - fromM <= 2 * Values.P19_SAME_POST_M + 2 * LEAST_STRETCH_M
                    && choice.spacingM().isEmpty();
        }
    }

    /** @param lost overrides that no longer make sense, with the reason */
    record Lost(PostOverride choice, LostWhy why) {}

    private final List<Lost> lost = new ArrayList<>();

    PostPlaces(FenceLine line, Spec spec, Stationing stationing, LocalPlane plane) {
        this.spec = spec;
        this.lengthM = stationing.lengthM();
        for (PostOverride o : line.book().overrides()) {
            Stationing.Place a = stationing.nearest(plane.toPlane(o.from()));
            Stationing.Place b = stationing.nearest(plane.toPlane(o.to()));
            double from = Math.min(a.stationM(), b.stationM());
            double to = Math.max(a.stationM(), b.stationM());
            boolean single = to - from < LEAST_STRETCH_M
                    && (o.use().isPresent()
                            || o.stock().isPresent()
                            || o.found().isPresent())
                    && o.spacingM().isEmpty()
                    && o.lightPerGap().isEmpty();
            Stretch stretch = single
                    ? new Stretch(o, from - Values.P19_SAME_POST_M, to + Values.P19_SAME_POST_M)
                    : line.closed() && to - from > lengthM / 2 ? new Stretch(o, to, from) : new Stretch(o, from, to);
            if (Math.max(a.offsetM(), b.offsetM()) > FAR_OFF_M) {
                lost.add(new Lost(o, LostWhy.OFF_THE_LINE));
            } else if (!single && to - from < LEAST_STRETCH_M) {
                lost.add(new Lost(o, LostWhy.NO_STRETCH));
            } else if (o.spacingM().isEmpty()
                    && o.stock().isEmpty()
                    && o.lightPerGap().isEmpty()
                    && o.use().isEmpty()
                    && !o.found().isPresent()) {
                lost.add(new Lost(o, LostWhy.ASKS_NOTHING));
            } else {
                contradicts(stretch)
                        .ifPresentOrElse(
                                other -> lost.add(new Lost(o, LostWhy.CONTRADICTS)), () -> stretches.add(stretch));
            }
        }
    }

    private Optional<Stretch> contradicts(Stretch s) {
        double middle = s.fromM() <= s.toM() ? (s.fromM() + s.toM()) / 2 : s.fromM();
        return stretches.stream()
                .filter(t -> t.covers(middle) || t.covers(s.fromM() + 0.1) && t.covers(s.toM() - 0.1))
                .filter(t -> t.choice().spacingM().isPresent()
                                && s.choice().spacingM().isPresent()
                        || t.choice().use().isPresent() && s.choice().use().isPresent()
                        || t.choice().stock().isPresent() && s.choice().stock().isPresent()
                        || t.choice().lightPerGap().isPresent()
                                && s.choice().lightPerGap().isPresent())
                .findFirst();
    }

    List<Lost> lost() {
        return lost;
    }

    Optional<PostOverride> at(double stationM, java.util.function.Predicate<PostOverride> says) {
        for (Stretch s : stretches) {
            if (s.covers(stationM) && says.test(s.choice())) {
                return Optional.of(s.choice());
            }
        }
        return Optional.empty();
    }

    /** What somebody wants of the one post at a station, strong or not. */
    Optional<PostOverride> single(double stationM) {
        for (Stretch s : stretches) {
            if (s.single() && s.covers(stationM)) {
                return Optional.of(s.choice());
            }
        }
        return Optional.empty();
    }

    double spacingM(double stationM) {
        if (stretches.isEmpty()) {
            return spec.fence().posts().spacingM();
        }
        return at(stationM, o -> o.spacingM().isPresent())
                .map(o -> o.spacingM().getAsDouble())
                .orElse(spec.fence().posts().spacingM());
    }

    private int lightPerGap(double stationM) {
        FenceSpec.Posts plan = spec.fence().posts();
        if (stretches.isEmpty()) {
            return plan.lightPerGap();
        }
        return at(stationM, o -> o.lightPerGap().isPresent())
                .map(o -> o.lightPerGap().getAsInt())
                .orElse(plan.lightPerGap());
    }

    /** Places between the strong ones where a post must stand: banks, crests and hollows, opposite the other row, ends of overridden spacing. */
    List<Mark> wanted(List<Contact> contacts, Profile profile, List<Mark> strong, List<Double> opposite) {
        List<Mark> marks = new ArrayList<>();
        opposite.forEach(s -> marks.add(Mark.of(PostKind.LINE, s)));
        for (Stretch s : stretches) {
            if (s.choice().spacingM().isPresent()) {
                marks.add(Mark.of(PostKind.LINE, s.fromM()));
                marks.add(Mark.of(PostKind.LINE, s.toM()));
            } else if (s.single() && s.choice().use().isPresent()) {
                marks.add(Mark.of(PostKind.LINE, (s.fromM() + s.toM()) / 2));
            }
        }
        for (Contact c : contacts) {
            if (c.feature().kind() == LandKind.CREEK) {
                double half = c.feature().traits().widthM().orElse(1) / 2 + Values.J8_BANK_M;
                for (Contact.Crossing x : c.crossings()) {
                    marks.add(Mark.of(PostKind.LINE, x.stationM() - half));
                    marks.add(Mark.of(PostKind.LINE, x.stationM() + half));
                }
            }
        }
        if (spec.fence().posts().closeUp()) {
            double from = 0;
            for (int i = 0; i <= strong.size(); i++) {
                double to = i == strong.size() ? lengthM : strong.get(i).stationM();
                profile.breaks(from, to, spec.fence().posts().spacingM())
                        .forEach(s -> marks.add(Mark.of(PostKind.LINE, s)));
                from = to;
            }
        }
        marks.removeIf(m -> m.stationM() < LEAST_STRETCH_M || m.stationM() > lengthM - LEAST_STRETCH_M);
        marks.sort(Comparator.comparingDouble(Mark::stationM));
        return marks;
    }

    /** Posts between the strong ones do what somebody wants them to; a choice that finds none there is lost. */
    List<Mark> used(List<Mark> marks) {
        List<Stretch> asked =
                stretches.stream().filter(s -> s.choice().use().isPresent()).toList();
        if (asked.isEmpty()) {
            return marks;
        }
        List<Mark> result = new ArrayList<>(marks);
        for (Stretch s : asked) {
            PostKind kind = PostKind.of(s.choice().use().orElseThrow());
            boolean found = false;
            for (int i = 0; i < result.size(); i++) {
                Mark m = result.get(i);
                if (s.covers(m.stationM()) && (m.kind().spaced() || m.kind() == PostKind.LIGHT)) {
                    result.set(i, new Mark(m.stationM(), kind, m.label(), m.deflectionDeg(), false));
                    found = true;
                }
            }
            if (!found) {
                lost.add(new Lost(s.choice(), LostWhy.NO_POST));
            }
        }
        return result;
    }

    /** Posts between two places, with light ones between them. */
    void even(double fromM, double toM, List<Mark> into) {
        double middle = (fromM + toM) / 2;
        int spaces = Lengths.parts(toM - fromM, spacingM(middle));
        double gap = (toM - fromM) / spaces;
        for (int k = 0; k < spaces; k++) {
            double at = fromM + gap * k;
            if (k > 0) {
                into.add(Mark.of(PostKind.LINE, at));
            }
            int light = lightPerGap(at + gap / 2);
            for (int j = 1; j <= light; j++) {
                into.add(Mark.of(PostKind.LIGHT, at + gap * j / (light + 1)));
            }
        }
    }
}
