package imperan.live;

import imperan.show.PartId;

/** Takes note of nothing; tests take note of what they look at. */
class QuietSink implements LiveSink {

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return true;
    }

    @Override
    public void valueChanged(PartId control) {
    }

    @Override
    public void linkChanged(PartId target) {
    }

    @Override
    public void traceChanged(PartId control) {
    }

    @Override
    public void pageWanted(PartId page) {
    }

    @Override
    public void turned(LinkTurn turn) {
    }

    @Override
    public void wire(WireRecord row) {
    }
}
