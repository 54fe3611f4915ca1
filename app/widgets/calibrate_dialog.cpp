#include "widgets/calibrate_dialog.h"

#include "look/fonts.h"
#include "look/text.h"
#include "maker/calibrate_module.h"
#include "maker/values.h"
#include "model/audio_file.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPainter>
#include <QPainterPath>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>
#include <optional>

namespace lariat {
namespace {

enum Column { Place, Read, Says, Off };

/// The scale over the dial: the readings as diamonds, the law through them, and the maker's own, faint.
class ScalePicture : public QWidget {
  public:
    explicit ScalePicture(QWidget* parent = nullptr) : QWidget(parent) { setMinimumSize(240, 220); }

    void show(const Scale& maker, const std::optional<Calibrated>& found) {
        maker_ = maker;
        found_ = found;
        update();
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const Look& l = look();
        const QRectF box(54, 10, width() - 70, height() - 38);
        painter.fillRect(box, l.card);
        painter.setPen(l.line);
        painter.drawRect(box);
        painter.setFont(figureFont(12));
        painter.setPen(l.softInk);
        for (const double x : {0.0, 0.5, 1.0})
            painter.drawText(QRectF(box.left() + x * box.width() - 30, box.bottom() + 4, 60, 18), Qt::AlignHCenter,
                             q(clockHand(x)));
        double low = maker_.min;
        double high = maker_.max;
        if (found_) {
            low = std::min(found_->scale.toValue(0.0), maker_.toValue(0.25));
            high = std::max(found_->scale.toValue(1.0), maker_.toValue(0.75));
        }
        const bool ratios = maker_.taper == Taper::Log;
        const auto shaped = [&](double v) { return ratios ? std::log(std::max(v, 1e-9)) : v; };
        const auto yOf = [&](double v) {
            return box.bottom() - box.height() * (shaped(v) - shaped(low)) / (shaped(high) - shaped(low));
        };
        for (const double share : {0.0, 0.5, 1.0}) {
            const double at = shaped(low) + share * (shaped(high) - shaped(low));
            painter.drawText(QRectF(0, box.bottom() - share * box.height() - 9, 50, 18),
                             Qt::AlignRight | Qt::AlignVCenter, q(maker_.text(ratios ? std::exp(at) : at)));
        }
        painter.setClipRect(box.adjusted(-5, -5, 5, 5));
        const auto curve = [&](const Scale& scale) {
            QPainterPath path;
            for (int i = 0; i <= 120; ++i) {
                const QPointF at(box.left() + box.width() * i / 120.0, yOf(scale.toValue(i / 120.0)));
                i == 0 ? path.moveTo(at) : path.lineTo(at);
            }
            painter.drawPath(path);
        };
        painter.setPen(QPen(l.softInk, 1, Qt::DotLine));
        curve(maker_);
        if (!found_) return;
        painter.setPen(QPen(l.accent, 2));
        curve(found_->scale);
        painter.setPen(QPen(l.ink, 1));
        painter.setBrush(l.paper);
        for (const Mark& mark : found_->readings) {
            const QPointF at(box.left() + box.width() * mark.fraction, yOf(mark.value));
            painter.drawPolygon(
                QPolygonF({at + QPointF(0, -5), at + QPointF(5, 0), at + QPointF(0, 5), at + QPointF(-5, 0)}));
        }
    }

  private:
    Scale maker_;
    std::optional<Calibrated> found_;
};

class CalibrateDialog : public QDialog {
    Q_DECLARE_TR_FUNCTIONS(lariat::CalibrateDialog)

  public:
    CalibrateDialog(const Session& session, std::string module, std::string part, std::string knob, QWidget* parent)
        : QDialog(parent), session_(session), module_(std::move(module)), part_(std::move(part)),
          knob_(std::move(knob)) {
        setAttribute(Qt::WA_DeleteOnClose);
        setObjectName(QStringLiteral("calibrate-dialog"));
        const ModuleInfo& info = *session_.document.library().module(module_);
        const KnobInfo& one = *info.part(part_)->knob(knob_);
        maker_ = one.scale;
        maker_.marks.clear();
        heard_ = heardOf(one);
        setWindowTitle(tr("Calibrate %1 of %2").arg(q(one.name), q(info.description.name)));
        auto* column = new QVBoxLayout(this);
        column->addWidget(
            plainLabel(tr("Turn the knob of your module to a place of its dial and read what comes out with a "
                          "meter or a tuner, or record it. Three places tell a law, more tell it better."),
                       look().softInk));
        auto* across = new QHBoxLayout;
        table_ = new QTableWidget(0, 4);
        table_->setObjectName(QStringLiteral("calibrate-table"));
        table_->setHorizontalHeaderLabels({tr("Knob at"), tr("Read"), tr("The law says"), tr("Off, on the dial")});
        table_->verticalHeader()->hide();
        table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
        table_->setMinimumSize(420, 220);
        table_->setFont(textFont(13));
        across->addWidget(table_, 3);
        picture_ = new ScalePicture;
        across->addWidget(picture_, 2);
        column->addLayout(across, 1);
        auto* buttons = new QHBoxLayout;
        auto* add = plainButton(tr("Another reading"), "calibrate-add");
        auto* record = plainButton(tr("From a recording…"), "calibrate-record");
        record->setEnabled(heard_.has_value());
        record->setToolTip(heard_ ? heardText() : tr("A recording cannot tell this knob; read it with a meter."));
        auto* away = plainButton(tr("Take it out"), "calibrate-remove");
        buttons->addWidget(add);
        buttons->addWidget(record);
        buttons->addWidget(away);
        fullScale_ = new QDoubleSpinBox;
        fullScale_->setObjectName(QStringLiteral("calibrate-full-scale"));
        fullScale_->setRange(0.01, 100.0);
        fullScale_->setValue(10.0);
        fullScale_->setSuffix(tr(" V"));
        fullScale_->setAccessibleName(tr("Volts of a recording's full scale"));
        if (heard_ == Heard::Volts) {
            buttons->addWidget(new QLabel(tr("its full scale is")));
            buttons->addWidget(fullScale_);
        } else {
            fullScale_->setParent(this);
            fullScale_->hide();
        }
        buttons->addStretch();
        law_ = new QComboBox;
        law_->setObjectName(QStringLiteral("calibrate-law"));
        law_->setAccessibleName(tr("Law of the scale"));
        law_->addItem(tr("the law that fits best"));
        for (const QString& name : {tr("linear"), tr("exponential"), tr("logarithmic"), tr("through the points")})
            law_->addItem(name);
        buttons->addWidget(law_);
        column->addLayout(buttons);
        answer_ = new QLabel;
        answer_->setObjectName(QStringLiteral("calibrate-answer"));
        answer_->setFont(textFont(13));
        answer_->setWordWrap(true);
        column->addWidget(answer_);
        auto* foot = new QHBoxLayout;
        auto* clear = plainButton(tr("As its maker left it"), "calibrate-clear");
        take_ = plainButton(tr("Use it from now on"), "calibrate-take");
        auto* close = plainButton(tr("Close"), "calibrate-close");
        foot->addWidget(clear);
        foot->addStretch();
        foot->addWidget(take_);
        foot->addWidget(close);
        column->addLayout(foot);
        const Calibration known = calibrationOf(info, part_, knob_);
        clear->setEnabled(!known.readings.empty());
        for (const Mark& mark : known.readings) addRow(q(clockHand(mark.fraction)), q(exactText(maker_, mark.value)));
        if (!known.readings.empty()) law_->setCurrentIndex(1 + static_cast<int>(known.law));
        if (known.readings.empty()) // places that are easily met
            for (const char* place : {"8:00", "10:00", "12:00", "2:00", "4:00"}) addRow(QString::fromLatin1(place), {});
        connect(table_, &QTableWidget::cellChanged, this, [this](int, int column_) {
            if (column_ <= Read) fit();
        });
        connect(add, &QPushButton::clicked, this, [this] {
            addRow({}, {});
            table_->setCurrentCell(table_->rowCount() - 1, Place);
            table_->editItem(table_->currentItem());
        });
        connect(away, &QPushButton::clicked, this, [this] {
            if (table_->currentRow() >= 0) table_->removeRow(table_->currentRow());
            fit();
        });
        connect(record, &QPushButton::clicked, this, [this] { fromRecording(); });
        connect(law_, &QComboBox::activated, this, [this] { fit(); });
        connect(clear, &QPushButton::clicked, this, [this] { use({}); });
        connect(take_, &QPushButton::clicked, this, [this] {
            if (found_) use({found_->law, rows_});
        });
        connect(close, &QPushButton::clicked, this, &QDialog::reject);
        // Its module may be another one meanwhile.
        connect(&session_.document, &Document::libraryChanged, this, &QDialog::reject);
        resize(820, 460);
        fit();
    }

  private:
    [[nodiscard]] QString heardText() const {
        switch (*heard_) {
        case Heard::Rate:
            return tr("Its pitch, or how often it rises, is measured.");
        case Heard::Rise:
            return tr("The time from the first sound to the loudest is measured.");
        case Heard::Fall:
            return tr("The time from the loudest until it stays 60 dB below is measured.");
        case Heard::Volts:
            return tr("A steady voltage is measured, else the peak.");
        case Heard::Tempo:
            return tr("Its pulses are counted, one a beat.");
        }
        return {};
    }

    void addRow(const QString& place, const QString& value) {
        const QSignalBlocker quiet(table_);
        const int row = table_->rowCount();
        table_->insertRow(row);
        for (const Column column : {Place, Read, Says, Off}) {
            auto* item = new QTableWidgetItem(column == Place ? place : column == Read ? value : QString());
            if (column >= Says) item->setFlags(item->flags() & ~Qt::ItemIsEditable);
            table_->setItem(row, column, item);
        }
    }

    [[nodiscard]] QString cell(int row, Column column) const {
        const QTableWidgetItem* item = table_->item(row, column);
        return item ? item->text().trimmed() : QString();
    }

    /// Reads the table and fits; each row says what is wrong with it.
    void fit() {
        const QSignalBlocker quiet(table_);
        found_.reset();
        rows_.clear();
        std::vector<int> at;
        QString wrong;
        for (int row = 0; row < table_->rowCount(); ++row) {
            for (const Column column : {Says, Off})
                if (QTableWidgetItem* item = table_->item(row, column)) item->setText({});
            if (cell(row, Read).isEmpty()) continue; // not read yet
            const auto fraction = parseClockHand(cell(row, Place).toStdString());
            const auto value = maker_.parse(cell(row, Read).toStdString());
            const bool isPlace = value && cell(row, Read).contains(QLatin1Char(':'));
            if (!fraction)
                wrong = tr("Row %1: a place is written as a clock's hand, from 7:00 to 5:00.").arg(row + 1);
            else if (!value || isPlace)
                wrong = tr("Row %1: %2 is no reading of this knob: %3")
                            .arg(row + 1)
                            .arg(cell(row, Read), q(maker_.expectation()));
            else {
                rows_.push_back({*fraction, *value});
                at.push_back(row);
            }
            if (!wrong.isEmpty()) break;
        }
        if (wrong.isEmpty() && !rows_.empty()) {
            const auto law =
                law_->currentIndex() == 0 ? std::nullopt : std::optional(static_cast<Law>(law_->currentIndex() - 1));
            auto fitted = calibrate(maker_, rows_, law);
            if (fitted)
                found_ = std::move(*fitted);
            else
                wrong = said(fitted.error());
        }
        for (std::size_t i = 0; found_ && i < rows_.size(); ++i) {
            table_->item(at[i], Says)->setText(q(maker_.text(found_->scale.toValue(rows_[i].fraction))));
            const double minutes = 600.0 * (rows_[i].fraction - found_->scale.toFraction(rows_[i].value));
            table_->item(at[i], Off)->setText(tr("%1 min").arg(q(fmt::format("{:+.1f}", minutes))));
        }
        take_->setEnabled(found_.has_value());
        answer_->setStyleSheet(QStringLiteral("color: %1").arg((wrong.isEmpty() ? look().ink : look().alarm).name()));
        if (!wrong.isEmpty())
            answer_->setText(wrong);
        else if (!found_)
            answer_->setText(tr("The dotted line is the scale as its maker describes it."));
        else
            answer_->setText(
                tr("%1: the worst reading is %2 minutes of the dial off. The knob then goes from %3 to %4.")
                    .arg(law_->itemText(1 + static_cast<int>(found_->law)), q(fmt::format("{:.1f}", found_->worst())),
                         q(maker_.text(found_->scale.toValue(0.0))), q(maker_.text(found_->scale.toValue(1.0)))));
        picture_->show(maker_, found_);
    }

    void fromRecording() {
        const QString file = QFileDialog::getOpenFileName(this, tr("A recording of the module"), {},
                                                          tr("Recordings (*.wav *.flac *.aiff *.aif)"));
        if (file.isEmpty()) return;
        const auto read = readAudio(file.toStdString());
        if (!read) {
            answer_->setText(said(read.error()));
            return;
        }
        std::vector<float> volts;
        for (std::size_t i = 0; i < read->samples.size(); i += static_cast<std::size_t>(read->channels))
            volts.push_back(read->samples[i] * static_cast<float>(fullScale_->value()));
        const auto value = hearReading(*heard_, volts, read->rate);
        if (!value) {
            answer_->setText(said(value.error().reason));
            return;
        }
        int row = 0;
        while (row < table_->rowCount() && !cell(row, Read).isEmpty()) ++row;
        if (row == table_->rowCount()) addRow({}, {});
        table_->item(row, Read)->setText(q(exactText(maker_, *value)));
        table_->setCurrentCell(row, Place);
        if (cell(row, Place).isEmpty()) {
            answer_->setText(tr("%1 was heard. At which place did the knob stand?").arg(q(maker_.text(*value))));
            table_->editItem(table_->item(row, Place));
        }
    }

    void use(const Calibration& calibration) {
        const ModuleInfo* module = session_.document.library().module(module_);
        auto changed = module ? withCalibration(*module, part_, knob_, calibration)
                              : Result<ModuleInfo>(failure(say("there is no module \"{}\"", module_)));
        if (!changed) {
            answer_->setText(said(changed.error()));
            return;
        }
        if (session_.document.changeModule(std::move(*changed), tr("calibrate a knob"))) accept();
    }

    Session session_;
    std::string module_;
    std::string part_;
    std::string knob_;
    Scale maker_;
    std::optional<Heard> heard_;
    std::vector<Mark> rows_;
    std::optional<Calibrated> found_;
    QTableWidget* table_;
    ScalePicture* picture_;
    QComboBox* law_;
    QDoubleSpinBox* fullScale_;
    QLabel* answer_;
    QPushButton* take_;
};

} // namespace

void calibrateKnob(const Session& session, const std::string& module, const std::string& part, const std::string& knob,
                   QWidget* parent) {
    const ModuleInfo* info = session.document.library().module(module);
    const PartInfo* there = info ? info->part(part) : nullptr;
    const KnobInfo* one = there ? there->knob(knob) : nullptr;
    if (!one || one->scale.taper == Taper::Switch || !one->scale.words.empty()) return;
    auto* dialog = new CalibrateDialog(session, module, part, knob, parent);
    dialog->show();
}

} // namespace lariat
