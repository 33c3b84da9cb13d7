package imperan.live;

import imperan.show.PartId;

/** Something of the running show that waits for its time. What is to be done then is seen when the time has come: it may have become nothing, or less. */
sealed interface Due {

    /** Of a link: its keep-alive, what waits for its pace, a question, the end of its window. */
    record OfLink(PartId target) implements Due {}

    /** Of a control: a hand that has to hold still, the next repeat, the end of a first touch, an answer that does not agree. */
    record OfControl(PartId control) implements Due {}

    /** Of a forward: a step that goes on by itself, or what waits for its pace. */
    record OfForward(PartId forward) implements Due {}

    /** Of a cue list: an action, a step of a fade, a cue that follows. */
    record OfCueList(PartId list) implements Due {}

    /** Of a track: a cue that it passes, the end of a loop, or of the time that it goes on by itself. */
    record OfTrack(PartId track) implements Due {}

    /** Of a browser that holds something: whether it is still there. */
    record OfBrowser(String browser) implements Due {}

    /** Of all together. */
    enum OfAll implements Due {
        /** The limits of answers. */
        ANSWERS,
        /** Bundles that arrived before their time. */
        BUNDLES,
        /** Browsers that learn, and may have gone. */
        LEARNERS
    }
}
