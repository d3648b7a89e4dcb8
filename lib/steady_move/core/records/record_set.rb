# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # All records with one owner and type (RFC 2181 §5); the TTL is the least of its members (§5.2).
      RecordSet = Struct.new(:name, :type, :ttl, :rdatas, keyword_init: true) do
        def id = [name, type]
        def meanings = rdatas.map(&:meaning).sort
        def same_data?(other) = meanings == other.meanings
        def to_a = rdatas.map { |r| Record.new(name: name, ttl: ttl, rdata: r) }
      end
    end
  end
end
