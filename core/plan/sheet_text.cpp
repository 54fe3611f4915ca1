#include "plan/sheet_text.h"

#include "building/sentences.h"
#include "library/check.h"
#include "library/meaning.h"
#include "library/tie.h"
#include "library/words.h"
#include "model/edit.h"
#include "timing/lines.h"
#include "timing/pattern_edits.h"
#include "timing/scenes.h"
#include "units/letters.h"
#include "units/number.h"
#include "units/pitch.h"

#include <algorithm>
#include <cctype>
#include <set>
#include <sstream>

namespace lariat {
namespace {

constexpr std::string_view kDot = " · ";

std::vector<std::string> splitBy(std::string_view text, std::string_view at) {
    std::vector<std::string> out;
    for (auto found = text.find(at); found != std::string_view::npos; found = text.find(at)) {
        out.emplace_back(trimmed(text.substr(0, found)));
        text.remove_prefix(found + at.size());
    }
    out.emplace_back(trimmed(text));
    return out;
}

/// Cells of a row of a table; "\|" is a bar.
std::vector<std::string> cellsOf(std::string_view line) {
    std::vector<std::string> out;
    std::string cell;
    for (std::size_t i = 1; i < line.size(); ++i) {
        if (line[i] == '\\' && i + 1 < line.size() && line[i + 1] == '|') {
            cell += line[++i];
        } else if (line[i] == '|') {
            out.emplace_back(trimmed(cell));
            cell.clear();
        } else {
            cell += line[i];
        }
    }
    return out;
}

/// The numbers of "row 1, HP 35", in any language.
std::vector<int> numbersIn(const std::string& text) {
    std::vector<int> out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (!std::isdigit(static_cast<unsigned char>(text[i]))) continue;
        int value = 0;
        while (i < text.size() && std::isdigit(static_cast<unsigned char>(text[i])) && value < 100'000)
            value = 10 * value + (text[i++] - '0');
        out.push_back(value);
    }
    return out;
}

class SheetTextReader {
  public:
    SheetTextReader(std::string_view text, const Workspace& workspace) : workspace_(workspace) {
        std::istringstream in{std::string(text)};
        for (std::string line; std::getline(in, line);) lines_.emplace_back(line);
    }

    Result<NotesRead> read() {
        head();
        const auto housing = workspace_.cases.find(patch_.caseId);
        if (housing == workspace_.cases.end()) return failure(say("names no case that is here"));
        housing_ = &housing->second;
        posts();
        cables();
        pattern();
        scenes();
        if (auto checked = checkPatch(patch_, workspace_.library); !checked) return tl::unexpected(checked.error());
        return NotesRead{std::move(patch_), std::move(answers_)};
    }

  private:
    void answer(std::size_t line, Sentence understood, Sentence failed = {}) {
        NoteAnswer one{static_cast<int>(line) + 1, lines_[line], {}, {}, {}};
        if (!failed.empty())
            one.failed.push_back(std::move(failed));
        else
            one.understood.push_back(std::move(understood));
        answers_.push_back(std::move(one));
    }
    bool edit(std::size_t line, const Edit& what) {
        auto made = applyEdit(patch_, what);
        if (!made) {
            answer(line, {}, made.error().reason);
            return false;
        }
        patch_ = std::move(*made);
        return true;
    }
    [[nodiscard]] bool isRow(std::size_t i) const { return i < lines_.size() && lines_[i].starts_with("| "); }
    /// The next line that is not empty.
    [[nodiscard]] std::size_t next(std::size_t i) const {
        while (++i < lines_.size() && trimmed(lines_[i]).empty()) {
        }
        return i;
    }

    /// Title, what is said of it, key and case.
    void head() {
        std::vector<std::string> paragraphs;
        for (std::size_t i = 0; i < lines_.size() && !lines_[i].starts_with("## "); ++i) {
            if (lines_[i].starts_with("# "))
                patch_.title = lines_[i].substr(2);
            else if (!trimmed(lines_[i]).empty())
                paragraphs.push_back(lines_[i]);
        }
        if (paragraphs.empty()) return;
        for (const std::string& fact : splitBy(paragraphs.back(), kDot))
            for (const auto& [id, housing] : workspace_.cases)
                if (housing.name == fact) patch_.caseId = id;
        const std::string first = splitBy(paragraphs.back(), kDot).front();
        if (const auto space = first.find(' '); space != std::string::npos) {
            const std::string key = first.substr(space + 1);
            if (!key.empty() && std::isupper(static_cast<unsigned char>(key[0]))) patch_.key = key;
        }
        for (std::size_t p = 0; p + 1 < paragraphs.size(); ++p) patch_.about += (p > 0 ? "\n" : "") + paragraphs[p];
    }

    /// "### Follower", "Keel VCO pair · Osc A, row 1, HP 35 · Lead", and the knobs below.
    void posts() {
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            if (!lines_[i].starts_with("### ")) continue;
            const std::size_t at = next(i);
            if (at >= lines_.size() || isRow(at) || lines_[at].starts_with("#")) continue;
            if (const auto id = post(lines_[i].substr(4), at)) knobs(*id, at + 1);
        }
    }

    std::optional<std::string> post(const std::string& name, std::size_t at) {
        const std::string& line = lines_[at];
        const auto comma = line.find(", ");
        const std::vector<std::string> what = splitBy(line.substr(0, comma), kDot);
        const std::vector<std::string> where =
            comma == std::string::npos ? std::vector<std::string>{} : splitBy(line.substr(comma + 2), kDot);
        const std::vector<int> place = where.empty() ? std::vector<int>{} : numbersIn(where[0]);
        for (const Slot& slot : housing_->slots) {
            const ModuleInfo* module = workspace_.library.module(slot.module);
            if (!module || module->description.name != what[0]) continue;
            if (place.size() == 2 && (slot.row != place[0] || slot.column != place[1])) continue;
            for (const PartInfo& part : module->parts) {
                if (module->parts.size() > 1 && (what.size() < 2 || part.name != what[1])) continue;
                if (std::ranges::any_of(patch_.posts,
                                        [&](const Post& post) { return post.slot == slot.id && post.part == part.id; }))
                    continue;
                std::string id = idFrom(name, 50);
                if (id.empty()) id = part.id;
                for (int n = 2; patch_.post(id); ++n) id = fmt::format("{}-{}", idFrom(name, 50), n);
                Post made{id, name, slot.id, slot.module, part.id, where.size() > 1 ? where[1] : std::string(), {}};
                if (!edit(at, AddPost{made})) return {};
                answer(at, say("{} is {}", name, part.name));
                return id;
            }
        }
        answer(at, {}, say("{} stands at no place of {}", what[0], housing_->name));
        return {};
    }

    void knobs(const std::string& id, std::size_t from) {
        std::vector<std::pair<std::size_t, std::vector<std::string>>> rows;
        for (std::size_t i = from; i < lines_.size() && !lines_[i].starts_with("#"); ++i) {
            if (!isRow(i)) {
                if (rows.empty() && !trimmed(lines_[i]).empty() && !lines_[i].starts_with("|"))
                    edit(i, DescribePost{id, patch_.post(id)->name, patch_.post(id)->voice, lines_[i]});
                continue;
            }
            rows.emplace_back(i, cellsOf(lines_[i]));
        }
        if (rows.size() < 2) return;
        rows.erase(rows.begin()); // the heading
        // Switches first: they decide what others set, and in what unit.
        std::stable_partition(rows.begin(), rows.end(), [](const auto& row) {
            return row.second.size() > 2 && row.second[2].empty() && !row.second[1].starts_with("?");
        });
        for (const auto& [line, cells] : rows)
            if (cells.size() >= 3) knob(id, line, cells);
    }

    void knob(const std::string& id, std::size_t line, const std::vector<std::string>& cells) {
        const Post& post = *patch_.post(id);
        const PartInfo& part = *workspace_.library.part(post);
        for (const KnobInfo& knob : part.knobs) {
            const KnobInForce now = knobInForce(patch_, post, part, knob);
            if (*now.name != cells[0]) continue;
            if (cells[1].starts_with("?")) {
                edit(line, SetUnknown{id, knob.id, Unknown{}});
                return;
            }
            auto value = now.scale->parse(cells[1]);
            if (!value) break;
            // Where figures are few, the hand says more.
            if (const auto hand = parseClockHand(cells[2]);
                hand && now.scale->text(now.scale->toValue(*hand)) == cells[1])
                value = now.scale->toValue(*hand);
            const double raw = now.scale == &knob.scale ? *value : knob.scale.toValue(now.scale->toFraction(*value));
            // What reads the same as its rest stands there.
            if (now.scale->text(*value) != knob.scale.text(knob.initial) || now.scale != &knob.scale)
                edit(line, SetKnob{id, knob.id, std::clamp(raw, knob.scale.min, knob.scale.max)});
            return;
        }
        if (cells[1].empty()) return; // a button
        answer(line, {},
               say("\"{}\" is no value of {} {}: write {}", cells[1], post.name, cells[0], "one that its dial has"));
    }

    void cables() {
        std::string voice;
        std::string step;
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            if (lines_[i].starts_with("### ") && isRow(next(i))) {
                const std::vector<std::string> heading = splitBy(lines_[i].substr(4), kDot);
                const bool several = heading.size() > 1;
                voice = several ? heading[0] : std::string();
                step = several ? heading[1] : std::string();
                if (!several &&
                    std::ranges::any_of(patch_.posts, [&](const Post& post) { return post.voice == heading[0]; }))
                    voice = heading[0];
                if (!several && voice.empty()) step = heading[0];
            }
            if (!isRow(i)) continue;
            const std::vector<std::string> cells = cellsOf(lines_[i]);
            const auto number = cells.size() >= 7 ? parseNumber(cells[0]) : std::nullopt;
            if (!number) continue;
            const auto tied = readTie(cells[1] + " to " + cells[2], patch_, workspace_.library);
            if (!tied) {
                answer(i, {}, tied.error().reason);
                continue;
            }
            Cable cable = tied->cable;
            cable.voice = voice;
            cable.step = step;
            std::istringstream bag(cells[3]);
            std::string unit;
            if (bag >> cable.lengthCm >> unit) bag >> cable.colour;
            cable.note = withoutLoop(cells[6]);
            if (edit(i, TieCable{cable, 0})) answer(i, say("{} to {}", cells[1], cells[2]));
        }
    }

    /// The writer says behind the note that a cable closes a loop.
    static std::string withoutLoop(std::string note) {
        for (const std::string_view tail : {"closes a loop", "schließt eine Schleife"})
            if (note.ends_with(tail)) {
                note.erase(note.size() - tail.size());
                while (note.ends_with(' ') || note.ends_with(';')) note.pop_back();
            }
        return note;
    }

    /// Lines of steps as they were written down exactly; of older sheets what their words say, where one sequencer
    /// plays.
    void pattern() {
        bool exact = false;
        for (std::size_t i = 1; i < lines_.size(); ++i) {
            if (!lines_[i].starts_with("  - `") || !lines_[i].ends_with('`') || lines_[i].size() < 7) continue;
            const std::string sentence = lines_[i].substr(5, lines_[i].size() - 6);
            const auto read = readSentences(sentence, patch_, workspace_.library, housing_);
            if (!read) {
                answer(i, {}, read.error().reason);
                continue;
            }
            for (const Edit& one : read->edits)
                if (!edit(i, one)) return;
            exact = true;
            const std::string head = sentence.substr(0, std::min(sentence.find(','), sentence.find(':')));
            if (const auto* set = std::get_if<SetPattern>(&read->edits.back()))
                nameLine(set->pattern->post, head, lines_[i - 1]);
            answer(i, plain(head));
        }
        if (!exact) patternInWords();
    }

    /// "- Kick B: x · x" above "Tracks lane 1 b": the line is called Kick.
    void nameLine(const std::string& post, const std::string& head, const std::string& said) {
        std::istringstream in(head);
        std::vector<std::string> words;
        for (std::string word; in >> word;) words.push_back(word);
        int variation = 0;
        if (words.size() > 3 && words.back().size() == 1 && words.back()[0] >= 'a') {
            variation = words.back()[0] - 'a';
            words.pop_back();
        }
        const auto colon = said.find(": ");
        const auto number = words.size() > 2 ? parseNumber(words.back()) : std::nullopt;
        if (!said.starts_with("- ") || colon == std::string::npos || !number) return;
        std::string name = said.substr(2, colon - 2);
        Pattern pattern = *patch_.pattern(post);
        // With variations, the letter stands behind the name.
        if (name.size() > 2 && name[name.size() - 2] == ' ' && name.back() == static_cast<char>('A' + variation))
            name.resize(name.size() - 2);
        const int index = static_cast<int>(*number) - 1;
        if (words[words.size() - 2] == "lane")
            laneAt(pattern, variation, index).name = name;
        else
            trackAt(pattern, variation, index).name = name;
        if (auto made = applyEdit(patch_, SetPattern{std::move(pattern)})) patch_ = std::move(*made);
    }

    /// Of the one sequencer that plays a pattern: tracks, lanes, and those of its variations.
    void patternInWords() {
        const Sequencer* plays = nullptr;
        const std::vector<Sequencer> all = sequencersOf(patch_, workspace_.library);
        for (const Sequencer& one : all)
            if (one.plays) {
                if (plays) return;
                plays = &one;
            }
        if (!plays) return;
        Pattern pattern;
        pattern.post = plays->post;
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            const auto colon = lines_[i].find(": ");
            if (!lines_[i].starts_with("- ") || colon == std::string::npos) continue;
            std::istringstream in(lines_[i].substr(colon + 2));
            std::vector<std::string> words;
            for (std::string word; in >> word;) words.push_back(word);
            if (words.empty()) continue;
            const std::string name = lines_[i].substr(2, colon - 2);
            const bool hits = std::ranges::all_of(
                words, [](const std::string& word) { return word == "x" || word == "X" || word == "·"; });
            const auto stepOf = [](std::string word) -> std::optional<Step> {
                Step step;
                if (word.ends_with('!')) {
                    step.accent = true;
                    word.pop_back();
                }
                if (const auto note = parseNote(word)) {
                    step.kind = Step::Kind::Note;
                    step.note = *note;
                    return step;
                }
                if (word == "rest" || word == "Pause") return Step{};
                if (word == "tie" || word == "gehalten" || word == "Bindung") {
                    step.kind = Step::Kind::Tie;
                    return step;
                }
                return {};
            };
            if (hits) {
                Lane lane{name, {}};
                for (const std::string& word : words)
                    lane.hits.push_back(word == "x"   ? Hit::Hit
                                        : word == "X" ? Hit::Accent
                                        : word == "?" ? Hit::Unknown
                                                      : Hit::Rest);
                pattern.lanes.push_back(std::move(lane));
                answer(i, say("{} lane {}", patch_.post(plays->post)->name, pattern.lanes.size()));
            } else if (std::ranges::all_of(words, [&](const std::string& word) { return stepOf(word).has_value(); })) {
                Track track{name, {}};
                for (const std::string& word : words) track.steps.push_back(*stepOf(word));
                pattern.tracks.push_back(std::move(track));
                answer(i, say("{} track {}", patch_.post(plays->post)->name, pattern.tracks.size()));
            }
        }
        if (pattern.tracks.empty() && pattern.lanes.empty()) return;
        // Ties hold the note before them.
        for (Track& track : pattern.tracks)
            for (std::size_t s = 1; s < track.steps.size(); ++s)
                if (track.steps[s].kind == Step::Kind::Tie) track.steps[s].note = track.steps[s - 1].note;
        if (auto made = applyEdit(patch_, SetPattern{pattern})) patch_ = std::move(*made);
    }

    void scenes() {
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            if (lines_[i] != "## Scenes" && lines_[i] != "## Szenen") continue;
            std::string words;
            for (std::size_t l = i + 1; l < lines_.size() && !lines_[l].starts_with("## "); ++l)
                if (lines_[l].starts_with("- ")) words += lines_[l].substr(2) + "\n";
            auto read = readScenes(words, patch_, workspace_.library);
            if (!read)
                answer(i, {}, read.error().reason);
            else if (edit(i, SetScenes{*read}))
                answer(i, say("{} scenes", read->size()));
        }
    }

    const Workspace& workspace_;
    const Case* housing_ = nullptr;
    std::vector<std::string> lines_;
    Patch patch_;
    std::vector<NoteAnswer> answers_;
};

} // namespace

bool isSheetText(std::string_view text) {
    return text.starts_with("# ") && text.find("\n|--") != std::string_view::npos &&
           text.find("\n### ") != std::string_view::npos;
}

Result<NotesRead> readSheetText(std::string_view text, const Workspace& workspace) {
    if (text.size() > 4'000'000) return failure(say("the text has more than {} lines", kMostNoteLines));
    return SheetTextReader(text, workspace).read();
}

} // namespace lariat
