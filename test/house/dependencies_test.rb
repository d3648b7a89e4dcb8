# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "ripper"

# Arrows run one way: web → desk → (core, wire, store); wire → core's values; core → nothing; lib
# never practice.
class DependenciesTest < Minitest::Test
  # room => constants that it must not name
  FORBIDDEN = {
    "core" => %w[
      Wire
      Store
      Desk
      Web
      Practice
      Sequel
      Sinatra
      Socket
      TCPSocket
      UDPSocket
      Net
      OpenSSL
      File
      Dir
      IO
      JSON
      YAML
      Process
      Nokogiri
      Dnsruby
      Rack
    ],
    "wire" => %w[Store Desk Web Practice Sequel Sinatra],
    "store" => %w[Desk Web Practice Sinatra Wire],
    "desk" => %w[Web Sinatra Rack Practice],
    "web" => %w[Wire]
  }.freeze
  # Names that a room may use although they look alike: the web's own routes of the practice clock.
  ALLOWED = { "web" => %w[Practice] }.freeze

  def constants(file)
    Ripper.lex(File.read(file)).select { |t| t[1] == :on_const }.map { |t| t[2] }.uniq
  end

  def files(room) = Dir[File.join(SteadyMove::ROOT, "lib", "steady_move", room, "**", "*.rb")]

  def test_each_room_names_only_what_it_may
    FORBIDDEN.each do |room, words|
      refute_empty files(room)
      files(room).each do |f|
        assert_empty constants(f) & words, "#{f} names what #{room} must not know"
      end
    end
  end

  def test_core_never_asks_for_the_time
    files("core").each do |f|
      refute_match(/Time\.now|DateTime\.now|Date\.today|\bsleep\b|\brand\b/, File.read(f), f)
    end
  end

  def test_the_library_never_needs_the_practice_world
    Dir[File.join(SteadyMove::ROOT, "lib", "**", "*.rb")].each do |f|
      refute_match(/require.*practice|::Practice::(?!\w+\.registered)/, File.read(f), f)
    end
  end

  # Whatever Ruby runs it, nothing of ours is warned of.
  def test_nothing_is_warned_of
    said, =
      Open3.capture2e(
        "ruby",
        "-w",
        "-Ilib",
        "-Ipractice",
        "-e",
        "require 'steady_move'; require 'practice'",
        chdir: SteadyMove::ROOT
      )
    assert_empty said.lines.grep(%r{^#{SteadyMove::ROOT}/(?:lib|practice)/.*warning:})
  end
end
