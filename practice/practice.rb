# frozen_string_literal: true

require_relative "../lib/steady_move"

# The practice world: a registry, registrars with habits, a public record, DNS hosts, a mailbox and
# a clock, all on loopback, all speaking the open protocols of the real ones. It uses the codecs of
# lib/steady_move/wire.
module Practice
  LOADER =
    Zeitwerk::Loader.new.tap do |loader|
      loader.push_dir(__dir__, namespace: self)
      loader.ignore(
        __FILE__,
        *%w[main.rb web.rb demo.rb dev.rb scenario].map { |f| File.join(__dir__, f) }
      )
      loader.setup
    end
  LOADER.eager_load
end
