# frozen_string_literal: true

require "securerandom"
require_relative "readers"

# Changed input for every reader, seeded: nothing may escape but a reader's own errors, nothing may
# take long or much.
class Fuzz
  # Seconds of processor time and octets of memory for one input.
  SECONDS = 1.0
  # What a fixed piece of work takes on the machine for which SECONDS holds.
  NOMINAL = 0.12
  MEMORY = 200 * 1024 * 1024
  LONGEST = 8 * 1024
  PIECES = [
    "\0",
    "\xFF",
    "\xC3",
    "\u{1F30A}",
    "\u{202E}",
    "\t",
    "\r\n",
    "\n\n",
    "\"",
    "'",
    "<",
    ">",
    "<!--",
    "<a href=",
    "]]>",
    "&#0;",
    "&x;",
    "(",
    ")",
    "\\",
    "%00",
    "%FF",
    "xn--",
    "xn--99999999",
    "..",
    "://",
    "@",
    "=?utf-8?B?/w==?=",
    "=?x?Q?=?=",
    "-1",
    "99999999999999999999",
    "1e400",
    "{",
    "}",
    "[",
    "null",
    "true",
    "code: ",
    "tide.example",
    "; ",
    ",",
    "|",
    "--b",
    "Content-Type: ",
    "From: ",
    "$INCLUDE x\n",
    "$ORIGIN .\n",
    "$GENERATE 1-9 a A 192.0.2.$\n",
    "\\# 4 ",
    "TYPE65535 ",
    "1w ",
    "2027-03-01",
    "24:00",
    "javascript:",
    "../",
    "*",
    "é" * 5
  ].map(&:b).freeze

  attr_reader :count, :found

  # random: Random; out: where it is told of.
  def initialize(random, out: $stdout)
    @random = random
    @out = out
    @count = 0
    @found = []
  end

  # Goes on until the block says that it is enough.
  def readers
    until yield
      reader = Readers.all.sample(random: @random)
      try(reader.name, changed(reader.seeds.sample(random: @random), reader.seeds)) do |input|
        reader.read.call(input)
      rescue *reader.errors
        nil
      end
    end
  end

  # One input; what is wrong with it is kept and told.
  def try(name, input)
    @count += 1
    before = memory
    spent = processor { guarded(name, input) { yield input } }
    spent = again(name, input) { yield input } if spent > SECONDS
    report(name, input, "takes #{spent.round(2)} s") if spent > SECONDS
    more = memory - before
    report(name, input, "takes #{more >> 20} MB") if more > MEMORY
  end

  def report(name, input, what)
    @found << [name, what]
    @out.puts "#{name} #{what}: #{input.inspect[0, 300]}"
  end

  # A seed with a few changes.
  def changed(seed, others = [seed])
    input = seed.b
    @random.rand(1..6).times { input = change(input, others) }
    input.byteslice(0, LONGEST)
  end

  private

  # What took long is measured once more, against how slow the machine is just now: the verdict is
  # the code's own.
  def again(name, input)
    slow = [
      processor { 200_000.times { |i| "tide#{i}.example".match?(/\d+\.e(x)/) } } / NOMINAL,
      1
    ].max
    processor { guarded(name, input) { yield input } } / slow
  end

  def guarded(name, input)
    yield
  rescue StandardError, SystemStackError => e
    report(name, input, "raises #{e.class}: #{e.message.to_s.scrub[0, 120]} at #{place(e)}")
  end

  def place(error)
    error.backtrace.to_a.find { |l| l.include?("/lib/steady_move/") }.to_s[%r{lib/steady_move/.*}]
  end

  def processor
    began = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
    yield
    Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - began
  end

  def memory = File.read("/proc/self/statm").split[1].to_i * 4096

  def change(input, others)
    at = @random.rand(input.bytesize + 1)
    length = @random.rand(1..[40, input.bytesize, 1].max.clamp(1, 40))
    head = input.byteslice(0, at)
    tail = input.byteslice(at..).to_s
    case @random.rand(7)
    when 0
      head + piece + tail
    when 1
      head + tail.byteslice(length..).to_s
    when 2
      head + (tail.byteslice(0, length).to_s * @random.rand(2..400)) + tail
    when 3
      head + (piece * @random.rand(2..2000)) + tail
    when 4
      head + @random.bytes(length) + tail
    when 5
      head + others.sample(random: @random).b.byteslice(@random.rand(200)..).to_s
    else
      head.byteslice(0, [at - length, 0].max) + tail + head.byteslice(-length..).to_s
    end
  end

  def piece = PIECES.sample(random: @random)
end
