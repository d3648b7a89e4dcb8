# frozen_string_literal: true

require "digest"
require "json"

# The style check: every file as the formatter writes it, and what RuboCop's limits find beyond
# test/house/over_the_limits.txt. That list names each method and may only shrink: an entry that is
# not needed any more is an error like a finding that it doesn't name.
# Usage: bundle exec ruby test/support/style.rb [--list: writes the list anew, if it became shorter]
module Style
  ROOT = File.expand_path("../..", __dir__)
  LIST = File.join(ROOT, "test", "house", "over_the_limits.txt")
  # Where what was found of a file is kept by its content.
  KEPT = File.join(ROOT, "tmp", "rubocop")
  # Digests of files that the formatter would leave as they are.
  FORMATTED = File.join(ROOT, "tmp", "formatted")
  WIDE = 100
  # As many entries the list had at its best: lower it when the list is shorter.
  MOST = 617

  module_function

  def files
    Dir.chdir(ROOT) do
      `git ls-files -co --exclude-standard -- "*.rb"`.split("\n")
        .select { |f| File.exist?(f) && !f.include?("store/migrations/") }
    end
  end

  # Findings as lines: “cop file method”, or the text of the line where no method is meant.
  def findings
    told = `bundle exec rubocop --parallel --format json --cache-root #{KEPT}`
    found =
      JSON
        .parse(told)
        .fetch("files")
        .flat_map { |file| file["offenses"].map { |o| line(file["path"], o) } }
    (found + wide).sort
  end

  # What RuboCop doesn't read: pages, words, contract, commands.
  def wide
    paths = `git ls-files -co --exclude-standard -- ui/src test/ui bin "*.yml"`.split("\n")
    (paths - ["ui/src/lib/schema.d.ts"]).flat_map do |path|
      File
        .readlines(File.join(ROOT, path), encoding: "UTF-8", chomp: true)
        .select { |l| l.length > WIDE }
        .map { |l| "width #{path} #{l.strip.gsub(/\s+/, " ")}" }
    end
  end

  def line(path, offense)
    at = offense.fetch("location").fetch("start_line")
    text = File.readlines(File.join(ROOT, path), chomp: true)[at - 1].strip
    name = text[/\Adef (?:self\.)?([\w?!=]+)/, 1] || text.gsub(/\s+/, " ")
    "#{offense["cop_name"]} #{path} #{name}"
  end

  def unformatted
    known = File.exist?(FORMATTED) ? File.readlines(FORMATTED, chomp: true) : []
    digests = files.to_h { |f| [f, Digest::SHA256.file(File.join(ROOT, f)).hexdigest] }
    asked = files.reject { |f| known.include?(digests[f]) }
    told = asked.empty? ? "" : `bundle exec stree check #{asked.join(" ")} 2>&1`
    wrong = asked.select { |f| told.include?(f) }
    File.write(FORMATTED, digests.except(*wrong).values.join("\n"))
    wrong.map { |f| "the formatter would write it otherwise (bundle exec stree write): #{f}" }
  end

  def check
    allowed = File.exist?(LIST) ? File.readlines(LIST, chomp: true) : []
    found = findings
    extra = (found - allowed).map { |l| "over the limits: #{l}" }
    gone = (allowed - found).map { |l| "no longer over the limits, take it off the list: #{l}" }
    long = allowed.size > MOST ? ["the list may only shrink: #{allowed.size} entries"] : []
    unformatted + extra + gone + long
  end

  def shorten
    found = findings
    abort "The list may only shrink: #{MOST} → #{found.size}" if found.size > MOST

    File.write(LIST, "#{found.join("\n")}\n")
  end
end

if $PROGRAM_NAME == __FILE__
  Dir.chdir(Style::ROOT)
  exit Style.shorten ? 0 : 1 if ARGV == ["--list"]

  wrong = Style.check
  puts wrong
  exit wrong.empty? ? 0 : 1
end
