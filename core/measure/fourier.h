// Fourier transforms of real signals, by FFTW.
#pragma once

#include <complex>
#include <cstddef>
#include <vector>

namespace lariat {

/// The bins 0 … n/2 of a signal of n samples; not scaled.
std::vector<std::complex<float>> transform(std::vector<float> in);
/// Back to `size` samples; not scaled: there and back again is `size` times the signal.
std::vector<float> inverse(std::vector<std::complex<float>> in, std::size_t size);
/// The next power of two.
std::size_t fastSize(std::size_t n);

} // namespace lariat
