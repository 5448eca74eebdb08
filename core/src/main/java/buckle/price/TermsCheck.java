package buckle.price;

import buckle.site.BadInput;
import buckle.site.Problem;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** What a firm, its rates and the terms of a job must be. */
public final class TermsCheck {
    private static final BigDecimal MOST_MONEY = new BigDecimal("10000000");
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final int MOST_LINES = 60;
    private static final Pattern CURRENCY = Pattern.compile("[A-Z]{3}");

    private final List<Problem> problems = new ArrayList<>();

    private TermsCheck() {}

    /** @throws BadInput when anything of a firm is not as it must be */
    public static void check(Firm firm) {
        TermsCheck c = new TermsCheck();
        if (!CURRENCY.matcher(firm.currency()).matches()) {
            c.problem("firm.currency", "currency", "A currency is three capital letters, like USD.");
        }
        c.few("address", firm.address());
        c.few("suppliers", firm.suppliers());
        Set<String> names = new HashSet<>();
        firm.suppliers().forEach(s -> {
            c.between("suppliers.freight", s.freight(), BigDecimal.ZERO, MOST_MONEY);
            if (s.name().isBlank() || !names.add(s.name())) {
                c.problem("firm.supplier", "suppliers", "Every supplier has a name of its own.");
            }
        });
        c.rates(firm.rates());
        c.texts(firm.texts());
        c.done();
    }

    /** @throws BadInput when anything of the terms is not as it must be */
    public static void check(JobTerms terms) {
        TermsCheck c = new TermsCheck();
        terms.km().ifPresent(v -> c.between("km", v, BigDecimal.ZERO, new BigDecimal("5000")));
        terms.marginPercent().ifPresent(v -> c.between("marginPercent", v, BigDecimal.ZERO, new BigDecimal("95")));
        terms.agreed().ifPresent(v -> c.between("agreed", v, new BigDecimal("0.01"), MOST_MONEY));
        c.few("extras", terms.extras());
        c.few("options", terms.options());
        terms.extras().forEach(e -> {
            c.between("extras.quantity", e.quantity(), BigDecimal.ZERO, new BigDecimal("100000"));
            c.between("extras.cost", e.cost(), BigDecimal.ZERO, MOST_MONEY);
            c.named("extras.text", e.text());
        });
        Set<String> ids = new HashSet<>();
        terms.options().forEach(o -> {
            c.between("options.amount", o.amount(), MOST_MONEY.negate(), MOST_MONEY);
            c.named("options.text", o.text());
            if (o.id().isBlank() || !ids.add(o.id())) {
                c.problem("terms.option", "options", "Every option has an id of its own.");
            }
        });
        c.done();
    }

    private void rates(Rates r) {
        BigDecimal most = new BigDecimal("100000");
        if (r.crew().people() < 1 || r.crew().people() > 200) {
            problem("rates.people", "rates.crew.people", "A crew is of 1 to 200 people.");
        }
        between("rates.crew.hourCost", r.crew().hourCost(), BigDecimal.ZERO, most);
        between("rates.crew.hoursADay", r.crew().hoursADay(), BigDecimal.ONE, new BigDecimal("24"));
        between("rates.crew.pace", r.crew().pace(), new BigDecimal("0.1"), BigDecimal.TEN);
        between("rates.machineHour", r.machineHour(), BigDecimal.ZERO, most);
        between("rates.travel.km", r.travel().km(), BigDecimal.ZERO, new BigDecimal("5000"));
        between("rates.travel.perKm", r.travel().perKm(), BigDecimal.ZERO, most);
        between("rates.travel.kmPerHour", r.travel().kmPerHour(), BigDecimal.ONE, new BigDecimal("200"));
        between("rates.overheadPercent", r.overheadPercent(), BigDecimal.ZERO, HUNDRED);
        between("rates.contingencyPercent", r.contingencyPercent(), BigDecimal.ZERO, HUNDRED);
        between("rates.marginPercent", r.marginPercent(), BigDecimal.ZERO, new BigDecimal("95"));
        between("rates.floorPercent", r.floorPercent(), BigDecimal.ZERO, new BigDecimal("95"));
        few("rates.tax.rates", r.tax().rates());
        Set<String> classes = new HashSet<>();
        r.tax().rates().forEach(t -> {
            between("rates.tax.percent", t.percent(), BigDecimal.ZERO, HUNDRED);
            if (t.taxClass().isBlank() || !classes.add(t.taxClass())) {
                problem("rates.tax", "rates.tax.rates", "Every class of tax has a name and one rate.");
            }
        });
        between("rates.allowances.posts", r.allowances().postsPercent(), BigDecimal.ZERO, HUNDRED);
        between("rates.allowances.wire", r.allowances().wirePercent(), BigDecimal.ZERO, HUNDRED);
        between("rates.allowances.smallParts", r.allowances().smallPartsPercent(), BigDecimal.ZERO, HUNDRED);
        between("rates.allowances.cable", r.allowances().cablePercent(), BigDecimal.ZERO, HUNDRED);
        r.allowances().own().forEach(o -> between("rates.allowances.own", o.percent(), BigDecimal.ZERO, HUNDRED));
    }

    private void texts(Firm.QuoteTexts t) {
        if (t.validDays() < 1 || t.validDays() > 365) {
            problem("texts.valid", "texts.validDays", "A quote holds for 1 to 365 days.");
        }
        few("texts.clientDoes", t.clientDoes());
        few("texts.exclusions", t.exclusions());
        few("texts.cautions", t.cautions());
        few("texts.stages", t.stages());
        BigDecimal all = t.stages().stream().map(Firm.Stage::percent).reduce(BigDecimal.ZERO, BigDecimal::add);
        if (!t.stages().isEmpty() && all.compareTo(HUNDRED) != 0) {
            problem("texts.stages", "texts.stages", "The shares of the payments make 100 %, not " + all + " %.");
        }
    }

    private void between(String path, BigDecimal value, BigDecimal least, BigDecimal most) {
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            problem(
                    "terms.range",
                    path,
                    "This lies between " + least.toPlainString() + " and " + most.toPlainString() + ".");
        }
    }

    private void few(String path, List<?> list) {
        if (list.size() > MOST_LINES) {
            problem("terms.many", path, "At most " + MOST_LINES + " stand here.");
        }
    }

    private void named(String path, String text) {
        if (text.isBlank()) {
            problem("terms.text", path, "This needs a text.");
        }
    }

    private void problem(String code, String path, String message) {
        problems.add(new Problem(code, path, message));
    }

    private void done() {
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }
}
