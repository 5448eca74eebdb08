package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** A fence is handed over: the list, the round on a phone, the yardstick, the certificate, and a fault that is seen against it. */
class CommissioningTest {
    private final Browser browser = new Browser();

    @AfterEach
    void close() {
        browser.close();
    }

    @Test
    void fromTheListToAFaultAgainstTheYardstick() {
        Screen screen = new Screen(browser.page(1280, 800), Buckle.demo().url);
        String job = screen.fresh("Orchard ring");
        Page page = screen.page;

        // The list before power: everything in order but the signs, which need a reason.
        screen.openById(job, "test?sheet=list");
        screen.test("list-state").waitFor();
        assertThat(screen.test("list-state").innerText()).contains("13 of 13 points still to look at");
        screen.test("ok-NOBODY_NEAR").click();
        assertThat(screen.test("list-failure").innerText()).contains("who looks");
        screen.test("habit-by").fill("Ilan");
        for (Locator button : page.locator("[data-test^='ok-']").all()) {
            if (!"ok-SIGNS_UP".equals(button.getAttribute("data-test"))) {
                button.click();
            }
        }
        screen.test("gap-SIGNS_UP").click();
        screen.test("reason-SIGNS_UP").fill("two come on Friday");
        screen.test("reason-SIGNS_UP").press("Enter");
        page.waitForSelector("[data-test=list-state] >> text=1 left open with a reason");
        assertThat(screen.test("check-SIGNS_UP").innerText()).contains("Ilan", "two come on Friday");

        // The round on a phone, number, next, number, next.
        Screen phone = new Screen(browser.page(390, 844), Buckle.demo().url);
        phone.openById(job, "test");
        phone.page.waitForSelector(".upright .here");
        phone.page.locator(".foot button").first().click();
        phone.test("phone-by").fill("Ilan");
        phone.page.locator(".foot button").first().click();
        int numbers = 0;
        for (String last = ""; !last.equals(state(phone)) && numbers < 40; numbers++) {
            last = state(phone);
            for (char key : number(phone).toCharArray()) {
                phone.test("key-" + key).click();
            }
            phone.test("phone-take").click();
            phone.settled();
        }
        assertThat(numbers).isBetween(10, 30);
        assertThat(phone.page.locator(".upright .standing.MET").count()).isGreaterThan(4);
        Object bottom = phone.page.evaluate("() => document.querySelector('.foot').getBoundingClientRect().bottom");
        assertThat(((Number) bottom).doubleValue())
                .as("the keys are on the screen")
                .isLessThanOrEqualTo(844.5);

        // All is read; the readings become the yardstick.
        screen.openById(job, "test?sheet=round");
        page.waitForSelector("[data-test=round-open] >> text=Everything that is needed has been read");
        assertThat(page.locator("[data-test^='stop-']").first().innerText()).contains("energizer", "as predicted");
        screen.openById(job, "test?sheet=yardstick");
        page.waitForSelector("[data-test=yardstick-says] >> text=This fence leaks like light growth");
        screen.test("yardstick-take").click();
        page.waitForSelector("[data-test=yardstick-kept] >> text=In force");
        screen.settled();
        page.waitForSelector("text=Saved");

        // The certificate says what is open, and stays.
        screen.openById(job, "test?sheet=certificate");
        screen.test("sign-by").fill("Ilan");
        screen.test("sign-call").fill("the firm, 555 0100");
        screen.test("sign").click();
        page.waitForSelector("[data-test=certificate-verdict]");
        assertThat(screen.test("certificate-verdict").innerText()).contains("1 point left open with a reason");
        assertThat(screen.test("certificate").innerText()).contains("two come on Friday");
        String address = screen.test("certificate-link").getAttribute("href");
        page.navigate(Buckle.demo().url + address);
        page.waitForSelector("[data-test=certificate]");
        assertThat(page.locator("input").count()).as("only to read").isZero();

        // Half a year later all is lower: said against the yardstick, on plan and ribbon.
        Object status = page.evaluate(LATER, List.of(job, 0.55));
        assertThat(status).isEqualTo(200);
        screen.openById(job, "faults");
        screen.test("faults-verdict").waitFor();
        assertThat(page.locator(".suspects").innerText()).contains("held against the yardstick of");
        assertThat(screen.test("ribbon-heat").locator(".heat").count()).isPositive();
        assertThat(page.locator(".inset canvas").count()).isPositive();
    }

    private static String state(Screen phone) {
        return phone.page.locator(".where").innerText()
                + phone.page.locator(".walk").innerText();
    }

    /** The middle of what is expected there. */
    private static String number(Screen phone) {
        String where = phone.page.locator(".where").innerText();
        var range = Pattern.compile("expected ([0-9.]+) to ([0-9.]+) kV").matcher(where);
        if (range.find()) {
            double middle = (Double.parseDouble(range.group(1)) + Double.parseDouble(range.group(2))) / 2;
            return String.format(Locale.ROOT, "%.1f", middle);
        }
        return where.contains("battery") ? "12.7" : where.contains("without power") ? "0" : "0.2";
    }

    private static final String LATER = """
            async ([job, share]) => {
              const all = await fetch(`/api/jobs/${job}/readings`).then((r) => r.json())
              const later = new Date(Date.now() + 3600e3).toISOString()
              const now = all.filter((r) => r.what.kind === 'PEAK').map((r) => ({
                ...r,
                id: crypto.randomUUID(),
                takenAt: later,
                what: { ...r.what, peakV: Math.round(r.what.peakV * share) },
              }))
              const sent = await fetch(`/api/jobs/${job}/readings`, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json' },
                body: JSON.stringify(now),
              })
              return sent.status
            }""";
}
