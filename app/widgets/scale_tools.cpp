#include "widgets/scale_tools.h"

#include "library/own_scales.h"
#include "library/workspace.h"
#include "look/text.h"
#include "timing/keep.h"
#include "units/key.h"
#include "units/pitch.h"

#include <QInputDialog>
#include <QMenu>
#include <QPointer>
#include <QVBoxLayout>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kBlock = "quantizer";
constexpr int kNotes = 12;

} // namespace

ScaleTools::ScaleTools(const Session& session, std::string post, QWidget* parent)
    : QWidget(parent), session_(session), post_(std::move(post)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 6, 0, 0);
    layout->setSpacing(4);
    const auto button = [&](const char* name, const QString& text, const QString& tip) {
        auto* made = new QPushButton(text);
        made->setObjectName(QLatin1String(name));
        made->setToolTip(tip);
        layout->addWidget(made);
        return made;
    };
    learn_ = button("learn-scale", tr("Learn a scale from keys"),
                    tr("Play its notes, the root first, then press again. They become the quantizer's own notes."));
    learn_->setCheckable(true);
    scales_ = button("own-scales", tr("Scales of my own"), tr("Take one, or keep the present notes under a name"));
    keep_ = button("keep-played", tr("Keep what was recorded"),
                   tr("Writes what its sequence has recorded into the patch, as the steps of its slot"));
    auto* menu = new QMenu(scales_);
    scales_->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, &ScaleTools::fillScales);
    connect(learn_, &QPushButton::toggled, this, [this](bool on) {
        if (!on) return endLearning();
        notes_.clear();
        Q_EMIT message(tr("Play the notes of the scale, the root first; then press “Learn a scale from keys” again."),
                       false);
    });
    connect(keep_, &QPushButton::clicked, this, &ScaleTools::keep);
    connect(&session_.sound, &Sound::played, this, &ScaleTools::hear);
    session_.sound.engine().told(post_); // from now on it tells
}

void ScaleTools::hear(const MidiMessage& played) {
    if (!learning() || played.kind() != 0x90 || played.data2 == 0) return;
    notes_.push_back(played.data1);
    QStringList names;
    for (const int note : notes_) names << q(noteName(note));
    Q_EMIT message(tr("Learning: %1").arg(names.mid(names.size() > 16 ? names.size() - 16 : 0).join(QLatin1Char(' '))),
                   false);
}

void ScaleTools::endLearning() {
    if (notes_.empty()) return;
    unsigned mask = 0;
    for (const int note : notes_) mask |= 1u << ((note - notes_.front()) % kNotes + kNotes) % kNotes;
    take(mask, notes_.front() % kNotes, tr("learn a scale"));
    notes_.clear();
}

void ScaleTools::take(unsigned mask, std::optional<int> root, const QString& name) {
    const Post* post = session_.document.patch().post(post_);
    if (!post) return;
    const PartInfo& part = *session_.document.library().part(*post);
    std::vector<Edit> edits;
    const auto set = [&](const std::string& control, double value) {
        const KnobInfo* knob = part.knobFor(kBlock, control);
        if (knob && knobValue(*post, *knob) != value) edits.emplace_back(SetKnob{post_, knob->id, value});
    };
    set("scale", 0);
    for (int n = 0; n < kNotes; ++n) set(fmt::format("note-{}", n), (mask >> n & 1u) != 0 ? 1.0 : 0.0);
    if (root) set("root", *root);
    if (!edits.empty()) session_.document.apply(edits, name);
}

/// The scale that it keeps to now.
unsigned ScaleTools::mask() const {
    const Post* post = session_.document.patch().post(post_);
    if (!post) return 0;
    const PartInfo& part = *session_.document.library().part(*post);
    const auto value = [&](const std::string& control) {
        const KnobInfo* knob = part.knobFor(kBlock, control);
        return knob ? static_cast<int>(knobValue(*post, *knob)) : 0;
    };
    if (const int scale = value("scale"); scale > 0) return kNamedScales[static_cast<std::size_t>(scale - 1)].mask;
    unsigned mask = 0;
    for (int n = 0; n < kNotes; ++n)
        if (value(fmt::format("note-{}", n)) == 1) mask |= 1u << n;
    return mask;
}

void ScaleTools::fillScales() {
    QMenu& menu = *scales_->menu();
    menu.clear();
    for (const OwnScale& scale : ownScales(ownDataFolder()))
        menu.addAction(q(scale.name), this,
                       [this, scale] { take(scale.mask, {}, tr("take the scale %1").arg(q(scale.name))); });
    menu.addSeparator();
    QAction* keeper = menu.addAction(tr("Keep the present notes…"), this, &ScaleTools::save);
    keeper->setObjectName(QStringLiteral("save-scale"));
}

void ScaleTools::save() {
    bool ok = false;
    const unsigned notes = mask();
    const QPointer<ScaleTools> self = this; // this page may be made anew while the question is open
    const QString name = QInputDialog::getText(window(), tr("Scales of my own"), tr("What is this scale to be called?"),
                                               QLineEdit::Normal, {}, &ok)
                             .trimmed();
    if (!ok) return;
    const auto saved = saveScale(ownDataFolder(), {name.toStdString(), notes});
    if (self) Q_EMIT message(saved ? tr("The scale is kept as %1.").arg(name) : said(saved.error()), !saved);
}

void ScaleTools::keep() {
    const auto told = session_.sound.engine().told(post_);
    if (!told) {
        Q_EMIT message(tr("It is not heard, so it does not run; tie one of its outputs first."), true);
        return;
    }
    const Told now = told->read();
    auto pattern = keptPattern(session_.document.patch(), post_, now);
    if (!pattern) {
        Q_EMIT message(said(pattern.error().reason), true);
        return;
    }
    if (session_.document.apply({SetPattern{std::move(*pattern)}}, tr("keep what was recorded")))
        Q_EMIT message(tr("%n step(s) are written into slot %1 now.", nullptr, now[1]).arg(QChar(u'A' + now[2])),
                       false);
}

} // namespace lariat
