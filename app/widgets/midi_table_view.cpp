#include "widgets/midi_table_view.h"

#include "look/fonts.h"
#include "look/text.h"

#include <QGridLayout>
#include <QHeaderView>
#include <QVBoxLayout>

namespace lariat {
namespace {

constexpr int kChannels = 16;
constexpr int kMostNumber = 127;

QString said(MidiFunction function) {
    switch (function) {
    case MidiFunction::None:
        return MidiTableView::tr("nothing");
    case MidiFunction::Pitch:
        return MidiTableView::tr("pitch");
    case MidiFunction::Gate:
        return MidiTableView::tr("gate");
    case MidiFunction::Velocity:
        return MidiTableView::tr("velocity");
    case MidiFunction::Bend:
        return MidiTableView::tr("pitch bend");
    case MidiFunction::Modulation:
        return MidiTableView::tr("modulation wheel");
    case MidiFunction::Pressure:
        return MidiTableView::tr("pressure");
    case MidiFunction::Controller:
        return MidiTableView::tr("a controller");
    case MidiFunction::Hold:
        return MidiTableView::tr("hold pedal");
    case MidiFunction::Clock:
        return MidiTableView::tr("clock");
    case MidiFunction::Run:
        return MidiTableView::tr("high from start to stop");
    case MidiFunction::Drum:
        return MidiTableView::tr("trigger of a note");
    }
    return {};
}

bool isOfVoice(MidiFunction function) {
    return function == MidiFunction::Pitch || function == MidiFunction::Gate || function == MidiFunction::Velocity;
}
bool hasNumber(MidiFunction function) {
    return isOfVoice(function) || function == MidiFunction::Controller || function == MidiFunction::Clock ||
           function == MidiFunction::Drum;
}
/// As a port shows it: voices count from 1.
int shownNumber(const MidiPort& port) {
    return port.index + (isOfVoice(port.gives) ? 1 : 0);
}

} // namespace

MidiTableView::MidiTableView(const Session& session, std::string post, QWidget* parent)
    : QWidget(parent), session_(session), post_(std::move(post)) {
    setObjectName(QStringLiteral("midi-table"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 8, 0, 4);
    name_ = new QLabel;
    name_->setFont(textFont(13, true));
    name_->setWordWrap(true);
    layout->addWidget(name_);
    table_ = new QTableWidget(static_cast<int>(kMidiPorts), 3);
    table_->setHorizontalHeaderLabels({tr("Port"), tr("Gives"), tr("Channel")});
    table_->setAccessibleName(tr("What the ports give"));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(22);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setTabKeyNavigation(false);
    table_->setShowGrid(false);
    table_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    // The page is as narrow as its panel, whatever a word would like.
    table_->setMinimumWidth(0);
    table_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    table_->setFixedHeight(22 * (static_cast<int>(kMidiPorts) + 1) + 8);
    layout->addWidget(table_);
    auto* line = new QGridLayout;
    gives_ = new QComboBox;
    gives_->setObjectName(QStringLiteral("midi-gives"));
    gives_->setAccessibleName(tr("What the chosen port gives"));
    for (int f = 0; f < static_cast<int>(kMidiFunctions.size()); ++f)
        gives_->addItem(said(static_cast<MidiFunction>(f)));
    channel_ = new QComboBox;
    channel_->setObjectName(QStringLiteral("midi-channel"));
    channel_->setAccessibleName(tr("Of which channel"));
    channel_->addItem(tr("any"));
    for (int c = 1; c <= kChannels; ++c) channel_->addItem(QString::number(c));
    number_ = new QSpinBox;
    number_->setObjectName(QStringLiteral("midi-number"));
    number_->setAccessibleName(tr("Voice, note, pulses a beat or controller"));
    number_->setToolTip(
        tr("The voice; of a trigger the note; of a clock the pulses a beat; of a controller its number"));
    number_->setRange(0, kMostNumber);
    number_->setKeyboardTracking(false);
    gives_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    gives_->setMinimumContentsLength(6);
    line->addWidget(gives_, 0, 0);
    line->addWidget(channel_, 0, 1);
    line->addWidget(number_, 0, 2);
    line->setColumnStretch(0, 1);
    layout->addLayout(line);
    connect(table_, &QTableWidget::currentCellChanged, this, &MidiTableView::showPort);
    connect(gives_, &QComboBox::activated, this, &MidiTableView::change);
    connect(channel_, &QComboBox::activated, this, &MidiTableView::change);
    connect(number_, &QSpinBox::valueChanged, this, &MidiTableView::change);
    table_->setCurrentCell(0, 0);
    refresh();
}

void MidiTableView::refresh() {
    const Post* post = session_.document.patch().post(post_);
    const auto table = post ? midiTableOf(*post, *session_.document.library().part(*post)) : std::nullopt;
    if (!table) return;
    const bool own = hasOwnMidiTable(*post, *session_.document.library().part(*post));
    name_->setText(own ? tr("Its own table")
                       : tr("Table of “%1”; a change makes it its own").arg(QString::fromUtf8(table->name)));
    for (int p = 0; p < static_cast<int>(kMidiPorts); ++p) {
        const MidiPort& port = table->ports[static_cast<std::size_t>(p)];
        QString gives = said(port.gives);
        if (hasNumber(port.gives)) gives += QStringLiteral(" %1").arg(shownNumber(port));
        const QStringList texts = {QString::fromUtf8(port.port), gives,
                                   port.channel == 0 ? tr("any") : QString::number(port.channel)};
        for (int column = 0; column < texts.size(); ++column) {
            if (!table_->item(p, column)) table_->setItem(p, column, new QTableWidgetItem);
            table_->item(p, column)->setText(texts[column]);
        }
    }
    showPort();
}

void MidiTableView::showPort() {
    const Post* post = session_.document.patch().post(post_);
    const auto table = post ? midiTableOf(*post, *session_.document.library().part(*post)) : std::nullopt;
    const int row = table_->currentRow();
    if (!table || row < 0) return;
    const MidiPort& port = table->ports[static_cast<std::size_t>(row)];
    showing_ = true;
    gives_->setCurrentIndex(static_cast<int>(port.gives));
    channel_->setCurrentIndex(port.channel);
    number_->setEnabled(hasNumber(port.gives));
    number_->setValue(shownNumber(port));
    showing_ = false;
}

void MidiTableView::change() {
    const Post* post = session_.document.patch().post(post_);
    const int row = table_->currentRow();
    if (showing_ || !post || row < 0) return;
    const PartInfo& part = *session_.document.library().part(*post);
    const auto table = midiTableOf(*post, part);
    if (!table) return;
    MidiPort wanted = table->ports[static_cast<std::size_t>(row)];
    const auto before = wanted.gives;
    wanted.gives = static_cast<MidiFunction>(gives_->currentIndex());
    wanted.channel = channel_->currentIndex();
    // Another function begins with a number that it can have.
    const int number = wanted.gives == before                ? number_->value()
                       : wanted.gives == MidiFunction::Drum  ? 36
                       : wanted.gives == MidiFunction::Clock ? 4
                                                             : 1;
    wanted.index = number - (isOfVoice(wanted.gives) ? 1 : 0);
    const auto edits = changeMidiPort(*post, part, static_cast<std::size_t>(row), wanted);
    if (edits && !edits->empty())
        session_.document.apply(*edits, tr("%1 gives %2").arg(QString::fromUtf8(wanted.port), said(wanted.gives)));
}

} // namespace lariat
