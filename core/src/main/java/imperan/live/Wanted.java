package imperan.live;

import imperan.osc.OscArgument;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** What an answer has to say to agree with what was sent. */
sealed interface Wanted {

    boolean agrees(List<OscArgument> said);

    /** That it comes is enough. */
    enum Anything implements Wanted {
        INSTANCE;

        @Override
        public boolean agrees(List<OscArgument> said) {
            return true;
        }
    }

    /**
     * Whatever stands at a place: what says no more than what was asked, such as the question itself that comes back, answers no question.
     *
     * @param names the arguments that name the place
     */
    record Told(Map<Integer, OscArgument> names) implements Wanted {
        @Override
        public boolean agrees(List<OscArgument> said) {
            return said.size() > names.size()
                    && names.entrySet().stream()
                            .allMatch(name -> new Arguments.Each(name.getKey(), name.getValue(), 0).agrees(said));
        }
    }

    /** Always the same, as somebody wrote it down. */
    record Given(String text, int place) implements Wanted {
        @Override
        public boolean agrees(List<OscArgument> said) {
            return place < said.size() && Spelling.means(said.get(place), text);
        }
    }

    /** The arguments that were sent, each in its place. */
    record Arguments(List<Each> each) implements Wanted {

        /**
         * @param place     in the answer, from 0
         * @param tolerance in the argument's own unit
         */
        record Each(int place, OscArgument sent, double tolerance) {
            private boolean agrees(List<OscArgument> said) {
                if (place >= said.size()) {
                    return false;
                }
                Optional<Double> number = Spelling.number(sent);
                return number.isPresent()
                        ? Spelling.number(said.get(place))
                                .filter(n -> Math.abs(n - number.get()) <= tolerance)
                                .isPresent()
                        : said.get(place).equals(sent);
            }
        }

        /**
         * All of them.
         *
         * @param near how far a number may be off, as a share of it
         */
        static Arguments same(List<OscArgument> sent, double near) {
            return new Arguments(IntStream.range(0, sent.size())
                    .mapToObj(i -> new Each(
                            i,
                            sent.get(i),
                            Spelling.number(sent.get(i))
                                    .map(number -> Math.abs(number) * near)
                                    .orElse(0.0)))
                    .toList());
        }

        @Override
        public boolean agrees(List<OscArgument> said) {
            return each.stream().allMatch(argument -> argument.agrees(said));
        }
    }

    /** All of them and no more. */
    record Whole(Arguments arguments) implements Wanted {
        @Override
        public boolean agrees(List<OscArgument> said) {
            return said.size() == arguments.each.size() && arguments.agrees(said);
        }
    }

    /** Where a control stands, as its listens read it. */
    record Stand(List<Axis> axes) implements Wanted {

        /**
         * @param position  where the axis of the reading stands, 0 to 1
         * @param tolerance as a share of the range of the argument
         */
        record Axis(Reading reading, double position, double tolerance) {
            private boolean agrees(List<OscArgument> said) {
                return reading.isNear(said, position, tolerance);
            }
        }

        @Override
        public boolean agrees(List<OscArgument> said) {
            return axes.stream().allMatch(axis -> axis.agrees(said));
        }
    }
}
