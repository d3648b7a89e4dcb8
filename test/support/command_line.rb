# frozen_string_literal: true

require "stringio"

# The commands for scripts, run in this process.
module CommandLine
  # Runs the command line; returns [status, lines of output, error text].
  def run_words(*words)
    out = StringIO.new
    err = StringIO.new
    status =
      begin
        SteadyMove::Cli.run(words, out: out, err: err)
        0
      rescue SystemExit => e
        e.status
      end
    [status, out.string.lines(chomp: true), err.string]
  end
end
