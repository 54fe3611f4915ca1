#include "measure/fourier.h"

#include <mutex>

#include <fftw3.h>

namespace lariat {
namespace {

/// FFTW plans may be made by one thread at a time.
std::mutex& planMutex() {
    static std::mutex mutex;
    return mutex;
}

void execute(fftwf_plan plan) {
    fftwf_execute(plan);
    const std::lock_guard lock(planMutex());
    fftwf_destroy_plan(plan);
}

} // namespace

std::vector<std::complex<float>> transform(std::vector<float> in) {
    std::vector<std::complex<float>> out(in.size() / 2 + 1);
    fftwf_plan plan = nullptr;
    {
        const std::lock_guard lock(planMutex());
        plan = fftwf_plan_dft_r2c_1d(static_cast<int>(in.size()), in.data(),
                                     reinterpret_cast<fftwf_complex*>(out.data()), FFTW_ESTIMATE);
    }
    execute(plan);
    return out;
}

std::vector<float> inverse(std::vector<std::complex<float>> in, std::size_t size) {
    std::vector<float> out(size);
    fftwf_plan plan = nullptr;
    {
        const std::lock_guard lock(planMutex());
        plan = fftwf_plan_dft_c2r_1d(static_cast<int>(size), reinterpret_cast<fftwf_complex*>(in.data()), out.data(),
                                     FFTW_ESTIMATE);
    }
    execute(plan);
    return out;
}

std::size_t fastSize(std::size_t n) {
    std::size_t size = 1;
    while (size < n) size *= 2;
    return size;
}

} // namespace lariat
