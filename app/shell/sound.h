// Sound: the live engine and the device it plays to.
#pragma once

#include "devices/audio_device.h"
#include "engine/engine.h"
#include "shell/document.h"

#include <QObject>
#include <QTimer>

#include <memory>

namespace lariat {

class Sound : public QObject {
    Q_OBJECT

  public:
    explicit Sound(Document& document, QObject* parent = nullptr);
    ~Sound() override;

    [[nodiscard]] Engine& engine() { return engine_; }
    [[nodiscard]] const Engine& engine() const { return engine_; }
    /// Opens a device by name; empty takes the first real one, or the simulated one. If it cannot be opened, the
    /// simulated one takes its place and `message` says why.
    void openDevice(const QString& name);
    [[nodiscard]] QString deviceName() const;
    [[nodiscard]] unsigned dropouts() const { return device_ ? device_->dropouts() : 0; }

    [[nodiscard]] double monitorDecibels() const { return monitorDecibels_; }
    /// -60 dB and below is silence.
    void setMonitorDecibels(double decibels);
    void setRunning(bool running);
    void rewind();

  signals:
    void message(const QString& text);
    void runningChanged(bool running);
    void deviceChanged();

  private:
    void start(std::unique_ptr<AudioDevice> device);
    void watch();

    Document& document_;
    Engine engine_;
    std::unique_ptr<AudioDevice> device_;
    QTimer watcher_;
    double monitorDecibels_ = -18.0;
};

} // namespace lariat
