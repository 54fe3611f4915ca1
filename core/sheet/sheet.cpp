#include "sheet/sheet.h"

#include "building/nobody_knows.h"
#include "library/meaning.h"
#include "library/midi_table.h"
#include "library/tie.h"
#include "library/unknowns.h"
#include "sheet/idle.h"
#include "timing/pattern_edits.h"
#include "timing/scenes.h"
#include "units/level.h"
#include "units/pitch.h"

#include <algorithm>
#include <map>
#include <sstream>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr std::size_t kTracePoints = 240;

/// A steady tone shows four of its periods, from where it rises through its middle; anything else the whole window.
std::vector<MinMax> traceOf(std::span<const float> volts, double rate, const Reading& reading) {
    auto part = volts.last(std::min(volts.size(), static_cast<std::size_t>(kSheetWindow * rate)));
    if (reading.kind == SignalKind::Audio && reading.pitch && !reading.comesAndGoes) {
        const auto shown = static_cast<std::size_t>(4.0 * rate / reading.pitch->value);
        const auto middle = static_cast<float>(0.5 * (reading.min.value + reading.max.value));
        std::size_t start = 1;
        while (start + shown < part.size() && !(part[start - 1] < middle && part[start] >= middle)) ++start;
        if (start + shown < part.size()) part = part.subspan(start, shown);
    }
    std::vector<MinMax> out;
    for (std::size_t i = 0; i < kTracePoints && !part.empty(); ++i) {
        const std::size_t begin = i * part.size() / kTracePoints;
        const std::size_t end = std::max(begin + 1, (i + 1) * part.size() / kTracePoints);
        const auto [low, high] = std::ranges::minmax_element(part.subspan(begin, end - begin));
        out.push_back({*low, *high});
    }
    return out;
}

std::string kindWord(SignalKind kind, const Speaker& speak) {
    switch (kind) {
    case SignalKind::Audio:
        return speak(say("audio"));
    case SignalKind::Gate:
        return speak(say("gate"));
    case SignalKind::Pitch:
        return speak(say("pitch"));
    case SignalKind::Clock:
        return speak(say("clock"));
    case SignalKind::Control:
        break;
    }
    return speak(say("control"));
}

SheetPost postOf(const Observation& o, const Post& post, const Speaker& speak) {
    const ModuleInfo* module = o.library->module(post.module);
    SheetPost out;
    out.name = post.name;
    out.module = module ? module->description.name : post.module;
    if (module && module->parts.size() > 1) out.part = o.part(post.id)->name;
    out.voice = post.voice;
    out.note = post.note;
    const std::vector<UnknownKnob> unknowns = unknownsOf(o.patch, *o.library);
    if (const Slot* slot = o.housing ? o.housing->slot(post.slot) : nullptr)
        out.place = speak(say("row {}, HP {}", slot->row, slot->column));
    for (const KnobInfo& knob : o.part(post.id)->knobs) {
        if (inMidiTable(*o.part(post.id), knob)) continue; // its table says it
        const KnobInForce now = knobInForce(o.patch, post, *o.part(post.id), knob);
        const double fraction = now.scale->toFraction(now.value);
        const bool isSwitch = knob.scale.taper == Taper::Switch;
        out.knobs.push_back(
            {*now.name, now.scale->text(now.value), isSwitch ? "" : clockHand(fraction), fraction, isSwitch});
        if (const auto unknown = std::ranges::find_if(
                unknowns, [&](const UnknownKnob& one) { return one.post == post.id && one.knob == knob.id; });
            unknown != unknowns.end()) {
            out.knobs.back().unknown = true;
            out.knobs.back().value = "? " + speak(unknownText(*unknown, knob));
            out.knobs.back().hand.clear();
        }
        if (const auto note = post.knobNotes.find(knob.id); note != post.knobNotes.end())
            out.knobs.back().note = note->second;
        out.knobs.back().atRest = !post.knobs.contains(knob.id) || knobValue(post, knob) == knob.initial;
        out.knobs.back().idle = speak(whyIdle(o.patch, post, *o.part(post.id), knob, *o.library));
        if (post.locked.contains(knob.id))
            out.knobs.back().note += (out.knobs.back().note.empty() ? "" : "; ") + speak(say("locked"));
    }
    return out;
}

std::size_t placeOf(const Patch& patch, const std::string& post) {
    return static_cast<std::size_t>(std::ranges::find(patch.posts, post, &Post::id) - patch.posts.begin());
}

std::vector<SheetRow> rowsOf(const Observation& o, const Speaker& speak) {
    std::vector<SheetRow> rows;
    std::map<JackRef, Reading> own; // of an output that several cables leave, or that leads others, once
    const auto ownReading = [&](const JackRef& output) -> const Reading& {
        const auto [at, isNew] = own.try_emplace(output);
        if (isNew) at->second = readRecording(o.at(output), o.rate(), o.jack(output)->kind);
        return at->second;
    };
    const auto readingOf = [&](const JackRef& output) {
        Reading reading = ownReading(output);
        const PitchSource source = reading.over ? pitchSource(o.patch, *o.library, output) : PitchSource{};
        if (!source.output.post.empty())
            reading.over = heardPitch(*reading.over, source, ownReading(source.output).over.value_or(PitchSummary{}));
        return reading;
    };
    for (const Cable& cable : o.patch.cables) {
        const Reading reading = readingOf(cable.from);
        SheetRow row;
        row.number = o.patch.row(cable.id);
        row.from = tieName(cable.from, o.patch, *o.library);
        row.to = tieName(cable.to, o.patch, *o.library);
        row.fromJack = jackWord(o.patch, *o.library, cable.from);
        row.toJack = jackWord(o.patch, *o.library, cable.to);
        row.voice = cable.voice;
        row.heading = cable.step.empty()    ? cable.voice
                      : cable.voice.empty() ? cable.step
                                            : fmt::format("{} · {}", cable.voice, cable.step);
        row.note = cable.note;
        if (cable.lengthCm > 0) row.length = fmt::format("{} cm", cable.lengthCm);
        row.colour = cable.colour;
        row.range = rangeText(reading);
        row.detail = speak(detailReading(reading));
        row.kind = reading.kind;
        row.kindWord = kindWord(row.kind, speak);
        row.fromPost = placeOf(o.patch, cable.from.post);
        row.toPost = placeOf(o.patch, cable.to.post);
        row.trace = traceOf(o.at(cable.from), o.rate(), reading);
        rows.push_back(std::move(row));
    }
    for (const LateCable& late : o.recorded.lateCables)
        for (SheetRow& row : rows)
            if (row.number == o.patch.row(late.cable)) row.late = true;
    return rows;
}

std::vector<SheetCount> countCables(const Observation& o, const Speaker& speak) {
    std::map<std::pair<int, std::string>, int> used;
    for (const Cable& cable : o.patch.cables) ++used[{cable.lengthCm, cable.colour}];
    std::vector<SheetCount> out;
    for (const auto& [kind, count] : used) {
        SheetCount line{kind.first > 0 ? fmt::format("{} cm {}", kind.first, kind.second)
                                       : speak(say("length not chosen")),
                        count, 0};
        if (o.housing)
            for (const CableStock& stock : o.housing->cables)
                if (stock.lengthCm == kind.first && stock.colour == kind.second) line.owned += stock.count;
        out.push_back(std::move(line));
    }
    return out;
}

/// Every line of every variation; of those behind A only what is different.
std::vector<SheetLine> patternOf(const Patch& patch, const Speaker& speak) {
    std::vector<SheetLine> out;
    for (const Pattern& pattern : patch.patterns)
        for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v) {
            const auto named = [&](const std::string& name, const Sentence& otherwise) {
                std::string text = name.empty() ? speak(otherwise) : name;
                if (!pattern.others.empty()) text += fmt::format(" {}", static_cast<char>('A' + v));
                return text;
            };
            const auto exactly = [&](bool lane, std::size_t index, int variation) {
                return lineSentence(patch, pattern, {pattern.post, lane, static_cast<int>(index)}, variation);
            };
            const auto& tracks = pattern.tracksOf(v);
            for (std::size_t t = 0; t < tracks.size(); ++t) {
                if (v > 0 && t < pattern.tracks.size() && tracks[t].steps == pattern.tracks[t].steps &&
                    tracks[t].stride == pattern.tracks[t].stride)
                    continue;
                SheetLine line{named(tracks[t].name, say("track {}", t + 1)), {}, exactly(false, t, v)};
                for (const Step& step : tracks[t].steps)
                    line.steps.push_back((step.kind == Step::Kind::Rest ? speak(say("rest"))
                                          : step.kind == Step::Kind::Tie
                                              ? speak(say("tie"))
                                              : noteName(step.note) + (step.accent ? "!" : "")) +
                                         (step.unknown ? "?" : ""));
                out.push_back(std::move(line));
            }
            const auto& lanes = pattern.lanesOf(v);
            for (std::size_t l = 0; l < lanes.size(); ++l) {
                if (v > 0 && l < pattern.lanes.size() && lanes[l].hits == pattern.lanes[l].hits &&
                    lanes[l].stride == pattern.lanes[l].stride)
                    continue;
                SheetLine line{named(lanes[l].name, say("lane {}", l + 1)), {}, exactly(true, l, v)};
                for (const Hit hit : lanes[l].hits)
                    line.steps.emplace_back(hit == Hit::Accent    ? "X"
                                            : hit == Hit::Hit     ? "x"
                                            : hit == Hit::Unknown ? "?"
                                                                  : "·");
                out.push_back(std::move(line));
            }
        }
    return out;
}

/// Scenes in words, a line each.
std::vector<std::string> scenesOf(const Observation& o) {
    std::vector<std::string> lines;
    if (o.patch.scenes.empty()) return lines;
    std::istringstream words(writeScenes(o.patch.scenes, o.patch, *o.library));
    for (std::string line; std::getline(words, line);)
        if (!line.empty()) lines.push_back(line);
    return lines;
}

std::vector<SheetLine> tablesOf(const Observation& o, const Speaker& speak) {
    std::vector<SheetLine> out;
    for (const Post& post : o.patch.posts) {
        const auto table = midiTableOf(post, *o.part(post.id));
        if (!table) continue;
        SheetLine line{fmt::format("{}: {}", post.name, table->name), {}};
        for (const MidiPort& port : table->ports)
            if (port.gives != MidiFunction::None)
                line.steps.push_back(
                    fmt::format("{}: {}, {}", port.port, speak(functionText(port)), speak(channelText(port))));
        out.push_back(std::move(line));
    }
    return out;
}

std::string cableName(const Patch& patch, int id, const Speaker& speak) {
    return speak(say("cable {}", patch.row(id)));
}

/// What stands on paper beside what is tied and turned.
void addPaperwork(Sheet& sheet, const Observation& o) {
    const Speaker& speak = sheet.speak;
    for (const Post& post : o.patch.posts) {
        if (!post.note.empty()) sheet.notes.push_back(fmt::format("{}: {}", post.name, post.note));
        for (const KnobInfo& knob : o.part(post.id)->knobs)
            if (knob.scale.marks.size() > 1)
                sheet.calibrations.push_back(speak(say(
                    "{} {}: read off the metal at {} places, {} to {}", post.name, knob.name, knob.scale.marks.size(),
                    knob.scale.text(knob.scale.marks.front().value), knob.scale.text(knob.scale.marks.back().value))));
    }
    for (const Cable& cable : o.patch.cables)
        if (!cable.note.empty())
            sheet.notes.push_back(fmt::format("{}: {}", cableName(o.patch, cable.id, speak), cable.note));
    for (const UnknownKnob& one : unknownsOf(o.patch, *o.library)) {
        const KnobInfo& knob = *o.part(one.post)->knob(one.knob);
        sheet.unknowns.push_back(
            fmt::format("{} {}: {}", o.nameOf(one.post), knob.name, speak(unknownText(one, knob))));
    }
    for (const OpenEnd& end : o.patch.openEnds) sheet.unknowns.push_back(speak(openEndText(end, o.patch, *o.library)));
    for (const Shared<Pattern>& pattern : o.patch.patterns)
        if (hasUnknownSteps(*pattern))
            sheet.unknowns.push_back(
                speak(say("{}: steps with a question mark are tried as they stand here", o.nameOf(pattern->post))));
    for (const Post& post : o.patch.posts)
        if (isUnknownPart(post)) sheet.unknowns.push_back(speak(say("{}: nobody knows what part it is", post.name)));
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* jack = o.jack(cable.from);
        if (!jack || jack->kind != SignalKind::Audio) continue;
        const LevelReading level = measureLevel(o.at(cable.from));
        if (level.peak().value < 1e-3) continue;
        const double left = -toDbfs(level.peak()).value;
        sheet.headroom.push_back(
            speak(left >= 0 ? say("cable {} from {}: peak {:.2f} V, {:.1f} dB below ±10 V", o.patch.row(cable.id),
                                  tieName(cable.from, o.patch, *o.library), level.peak().value, left)
                            : say("cable {} from {}: peak {:.2f} V, {:.1f} dB beyond ±10 V", o.patch.row(cable.id),
                                  tieName(cable.from, o.patch, *o.library), level.peak().value, -left)));
    }
    if (o.housing)
        for (const Slot& slot : o.housing->slots)
            if (!slot.from.empty()) {
                const ModuleInfo* module = o.library->module(slot.module);
                const std::string name = module ? module->description.name : slot.module;
                sheet.putBack.push_back(slot.since.empty()
                                            ? speak(say("{} to {}", name, slot.from))
                                            : speak(say("{} to {}, borrowed {}", name, slot.from, slot.since)));
            }
    sheet.takeApart = {
        speak(say("Turn the monitor and the way out down, and stop the clock.")),
        speak(say("Keep a take and a picture of the knobs before the first plug comes out.")),
        speak(say("Pull the cables from the last row to the first, so that nothing sounds on without its level.")),
        speak(say("Count the cables back into the bag: {}.", o.patch.cables.size()))};
    const std::string key = sheet.key.empty() ? speak(say("not set")) : sheet.key;
    sheet.secondPlayer.push_back(
        speak(say("Key {}, {}", key, sheet.tempo.empty() ? speak(say("no clock")) : sheet.tempo)));
    std::size_t longest = 0;
    for (const SheetLine& line : sheet.pattern) longest = std::max(longest, line.steps.size());
    if (longest > 0) sheet.secondPlayer.push_back(speak(say("the longest line has {} steps", longest)));
    for (const Post& post : o.patch.posts) {
        std::vector<std::string> free;
        for (const JackInfo& jack : o.part(post.id)->jacks)
            if (jack.output && jack.kind == SignalKind::Clock && o.cableFrom({post.id, jack.id}) == 0)
                free.push_back(jack.name);
        if (!free.empty())
            sheet.secondPlayer.push_back(
                speak(say("a clock can be had at {}: {}", post.name, fmt::format("{}", fmt::join(free, ", ")))));
    }
    std::vector<float> mix = convertMix(o.recorded.left, o.recorded.right, o.recorded.engineRate, kTakeRate);
    TakeSound heard = hear(std::move(mix));
    sheet.sound = heard.thumb;
    sheet.figures = std::move(heard.figures);
}

} // namespace

std::vector<SheetList> listsOf(const Sheet& sheet, const SheetSettings& settings) {
    std::vector<SheetList> out;
    const auto add = [&](SheetPart part, const std::vector<std::string>& lines, const std::string& heading = {}) {
        if (settings.has(part) && !lines.empty())
            out.push_back({part, heading.empty() ? sheet.speak(partName(part)) : heading, lines});
    };
    add(SheetPart::Cautions, sheet.cautions);
    add(SheetPart::Notes, sheet.notes);
    add(SheetPart::Scenes, sheet.scenes);
    for (const SheetLine& table : sheet.tables) add(SheetPart::Tables, table.steps, table.name);
    add(SheetPart::Expect, sheet.expect);
    add(SheetPart::Headroom, sheet.headroom);
    add(SheetPart::Normals, sheet.normals);
    add(SheetPart::Calibrations, sheet.calibrations);
    add(SheetPart::Unknowns, sheet.unknowns);
    add(SheetPart::Findings, sheet.findings);
    add(SheetPart::Kept, sheet.kept);
    add(SheetPart::SecondPlayer, sheet.secondPlayer);
    std::vector<std::string> counts;
    for (const SheetCount& count : sheet.cables)
        counts.push_back(sheet.speak(count.count > count.owned
                                         ? say("{} × {} ({} in the bag, {} short)", count.count, count.what,
                                               count.owned, count.count - count.owned)
                                         : say("{} × {} ({} in the bag)", count.count, count.what, count.owned)));
    add(SheetPart::Counts, counts);
    add(SheetPart::PutBack, sheet.putBack);
    add(SheetPart::TakeApart, sheet.takeApart);
    return out;
}

Sheet makeSheet(const Observation& o, const std::vector<Finding>& findings, const Speaker& speak) {
    Sheet sheet;
    sheet.speak = speak;
    sheet.title = o.patch.title;
    sheet.about = o.patch.about;
    sheet.key = o.patch.key;
    sheet.caseName = o.housing ? o.housing->name : o.patch.caseId;
    for (const Post& post : o.patch.posts) {
        sheet.posts.push_back(postOf(o, post, speak));
        if (const KnobInfo* tempo = o.part(post.id)->knobFor("clock", "tempo"); tempo && sheet.tempo.empty())
            sheet.tempo = tempo->scale.text(knobValue(post, *tempo));
    }
    for (const Sentence& fact : unknownFacts(o.patch, *o.library))
        sheet.unknown += (sheet.unknown.empty() ? "" : ", ") + speak(fact);
    sheet.rows = rowsOf(o, speak);
    sheet.cables = countCables(o, speak);
    sheet.pattern = patternOf(o.patch, speak);
    sheet.scenes = scenesOf(o);
    sheet.tables = tablesOf(o, speak);
    for (const NormalInEffect& normal : buildGraph(o.patch, *o.library).normals)
        sheet.normals.push_back(speak(say("{} feeds {} behind the panel", tieName(normal.from, o.patch, *o.library),
                                          tieName(normal.to, o.patch, *o.library))));
    const LevelReading left = measureLevel(o.recorded.left);
    const LevelReading right = measureLevel(o.recorded.right);
    for (const auto& [side, level] : {std::pair{say("Left"), left}, std::pair{say("Right"), right}})
        sheet.expect.push_back(
            speak(inside(side, say("peak {:.2f} V ({:.1f} dBFS), RMS {:.2f} V ({:.1f} dBu in the case), DC {:+.3f} V",
                                   level.peak().value, toDbfs(level.peak()).value, level.rms.value,
                                   toDbu(level.rms).value, level.mean.value))));
    for (const Finding& finding : findings) {
        if (!isProblem(finding)) continue; // its row says it, or nothing is wrong yet
        const std::string where = finding.cable ? cableName(o.patch, finding.cable, speak) : o.nameOf(finding.post);
        std::string line = fmt::format("{}: {} ({})", where, speak(finding.reason), speak(finding.figure));
        std::vector<std::string> way; // link by link with its reading, so that it can be gone along on metal
        for (const Link& link : finding.walk)
            way.push_back(fmt::format("{} ({})", linkName(link, o.patch, *o.library), speak(link.reading)));
        if (way.size() > 1) line += " " + speak(say("The way there: {}.", fmt::format("{}", fmt::join(way, " · "))));
        if (!finding.fixes.empty()) line += " " + speak(say("Mends it: {}.", speak(finding.fixes.front().label)));
        sheet.findings.push_back(std::move(line));
    }
    for (const Dismissal& kept : o.patch.dismissals) {
        const std::string where = kept.cable ? cableName(o.patch, kept.cable, speak) : o.nameOf(kept.post);
        sheet.kept.push_back(fmt::format("{}, {}: {}", where, kept.rule, kept.reason));
    }
    addPaperwork(sheet, o);
    sheet.cautions = {
        speak(say("Start with the monitor turned down: resonance, feedback and sync can jump 20 dB in a step.")),
        speak(say("DC and subsonic signals heat loudspeakers; watch the DC figure on this sheet.")),
        speak(say("A case is 10 to 20 dB hotter than line level: use an output stage before a line, phone or "
                  "instrument input.")),
        speak(say("Switch the case off before plugging a module's ribbon; a reversed ribbon destroys modules. Leave "
                  "mains work to qualified people and local code."))};
    return sheet;
}

} // namespace lariat
