# frozen_string_literal: true

require "bundler/setup" unless ENV["BUNDLE_BIN_PATH"] || defined?(Bundler::Setup)
require "zeitwerk"

# The desk at which a site administrator moves domain names between registrars. Rooms: see ARCHITECTURE.md.
module SteadyMove
  ROOT = File.expand_path("..", __dir__)
  VERSION = "0.1.0"

  LOADER = Zeitwerk::Loader.new.tap do |loader|
    loader.push_dir(__dir__)
    loader.ignore(File.join(__dir__, "steady_move/store/migrations"))
    loader.setup
  end

  # Loaded whole: several small values may share one file.
  LOADER.eager_load
end
