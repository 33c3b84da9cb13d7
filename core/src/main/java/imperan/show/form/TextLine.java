package imperan.show.form;

import java.util.Optional;

/** A line of text that is typed and sent. */
public record TextLine() implements Form {
    @Override
    public String called() {
        return "line";
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    @Override
    public boolean eachCounts() {
        return true;
    }

    @Override
    public boolean saysEachTime() {
        return true;
    }

    @Override
    public boolean givesText() {
        return true;
    }

    @Override
    public Optional<String> text(Position at, String typed) {
        return Optional.of(typed);
    }

    @Override
    public Size inStrip() {
        return new Size(6, 1);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS, 1);
    }
}
