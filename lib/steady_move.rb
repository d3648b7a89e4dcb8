# frozen_string_literal: true

# A script asks Bundler nothing: bin/prepare wrote down where the gems of this Gemfile lie.
gems = File.join(__dir__, "..", "vendor", "bundle", "load_path")
if ENV["STEADY_MOVE_SCRIPT"] && File.exist?(gems)
  $LOAD_PATH.unshift(
    *File.readlines(gems, chomp: true).map { |path| File.expand_path(path, File.dirname(gems)) }
  )
else
  require "bundler/setup" unless ENV["BUNDLE_BIN_PATH"] || defined?(Bundler::Setup)
end
require "zeitwerk"

# What was compiled once is kept (tmp/bootsnap), where the folder may be written; a script without
# Bundler and a run that counts branches do without.
kept = File.expand_path("../tmp/bootsnap", __dir__)
unless ENV["STEADY_MOVE_SCRIPT"] || (defined?(Coverage) && Coverage.running?)
  require "bootsnap"
  place = [kept, File.dirname(kept), File.dirname(kept, 2)].find { |folder| File.exist?(folder) }
  Bootsnap.setup(
    cache_dir: kept,
    development_mode: false,
    load_path_cache: true,
    compile_cache_iseq: true,
    compile_cache_yaml: true,
    readonly: !File.writable?(place)
  )
end

# The desk at which a site administrator moves domain names between registrars. Rooms: see
# ARCHITECTURE.md.
module SteadyMove
  ROOT = File.expand_path("..", __dir__)
  VERSION = "0.10.0"

  LOADER =
    Zeitwerk::Loader.new.tap do |loader|
      loader.push_dir(__dir__)
      loader.ignore(File.join(__dir__, "steady_move/store/migrations"))
      loader.setup
    end

  # Loaded whole for a server; scripts load what they need.
  LOADER.eager_load unless ENV["STEADY_MOVE_SCRIPT"]
end
