package imperan.show;

/** Pages that belong together. */
public record Layout(String name) implements Body {

    @Override
    public String called() {
        return name;
    }
}
