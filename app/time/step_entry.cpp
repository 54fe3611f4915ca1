#include "time/step_entry.h"

#include "units/pitch.h"

#include <algorithm>
#include <cstdlib>

namespace lariat {

StepEntry::StepEntry(const Session& session, LineEditor& editor, QObject* parent)
    : QObject(parent), session_(session), editor_(editor) {
    connect(&session_.sound, &Sound::played, this, [this](const MidiMessage& message) {
        if (on_ && message.kind() == 0x90 && message.data2 > 0) enterNote(message.data1, message.data2);
    });
    connect(&session_.document, &Document::replaced, this, [this] { setOn(false); });
}

void StepEntry::setOn(bool on) {
    if (on == on_) return;
    on_ = on;
    Q_EMIT changed();
}

void StepEntry::setOctave(int octave) {
    octave_ = std::clamp(octave, -1, 8);
    Q_EMIT changed();
}

/// The step behind which the cursor stands.
int StepEntry::lastStep() const {
    const int count = editor_.stepCount();
    return count > 0 ? (editor_.cursor() + count - 1) % count : 0;
}

void StepEntry::enter(const Step& step, Hit hit) {
    const LineRef line = editor_.line();
    if (line.post.empty()) return;
    const int at = std::max(0, editor_.cursor());
    bool done = false;
    if (line.lane)
        done = editor_.changeLane(tr("enter steps"), [&](Lane& lane) {
            if (at < static_cast<int>(lane.hits.size())) lane.hits[static_cast<std::size_t>(at)] = hit;
        });
    else
        done = editor_.changeTrack(tr("enter steps"), [&](Track& track) {
            if (at < static_cast<int>(track.steps.size())) track.steps[static_cast<std::size_t>(at)] = step;
        });
    if (!done) return;
    const int count = std::max(1, editor_.stepCount());
    editor_.choose(line, {(at + 1) % count});
}

void StepEntry::enterNote(int note, int velocity) {
    Step step{.kind = Step::Kind::Note};
    step.note = note;
    step.velocity = std::clamp(velocity, 1, 127);
    enter(step, Hit::Hit);
}

void StepEntry::enterRest() {
    enter(Step{}, Hit::Rest);
}

void StepEntry::enterTie() {
    Step step;
    step.kind = Step::Kind::Tie;
    step.gate = 1.0;
    enter(step, Hit::Rest);
}

void StepEntry::markAccent() {
    const auto at = static_cast<std::size_t>(lastStep());
    if (editor_.line().lane)
        editor_.changeLane(tr("accent"), [&](Lane& lane) {
            if (at < lane.hits.size() && lane.hits[at] != Hit::Rest)
                lane.hits[at] = lane.hits[at] == Hit::Accent ? Hit::Hit : Hit::Accent;
        });
    else
        editor_.changeTrack(tr("accent"), [&](Track& track) {
            if (at < track.steps.size()) track.steps[at].accent = !track.steps[at].accent;
        });
}

void StepEntry::markSlide() {
    const auto at = static_cast<std::size_t>(lastStep());
    editor_.changeTrack(tr("slide"), [&](Track& track) {
        if (at < track.steps.size()) track.steps[at].slide = !track.steps[at].slide;
    });
}

/// A letter is the note of that name, as the key has it, nearest to the note that was entered before; without one, in
/// the octave that is set.
void StepEntry::type(const QString& word) {
    if (word.isEmpty()) return;
    const char c = word.at(0).toLatin1();
    if (c == '-' || c == '.') return enterRest();
    if (c == '=') return enterTie();
    if (c == '!') return markAccent();
    if (c == '~') return markSlide();
    if (c == 'x') return enterNote(12 * (octave_ + 1));
    if (c < 'a' || c > 'g') return;
    int note = *parseNote(std::string(1, c) + std::to_string(octave_));
    if (const auto key = editor_.key(); key && !key->has(note)) {
        // In a key without that note the letter means its flat or sharp, whichever the key has.
        if (key->has(note - 1))
            --note;
        else if (key->has(note + 1))
            ++note;
    }
    enterNote(note);
}

} // namespace lariat
