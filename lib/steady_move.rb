# frozen_string_literal: true

require "bundler/setup" unless ENV["BUNDLE_BIN_PATH"] || defined?(Bundler::Setup)
require "zeitwerk"

# The desk at which a site administrator moves domain names between registrars. Rooms: see ARCHITECTURE.md.
module SteadyMove
  ROOT = File.expand_path("..", __dir__)
  VERSION = "0.1.0"

  LOADER = Zeitwerk::Loader.new.tap do |loader|
    loader.push_dir(__dir__)
    loader.inflector.inflect("open_api" => "OpenApi", "byte_reader" => "ByteReader")
    loader.setup
  end
end
