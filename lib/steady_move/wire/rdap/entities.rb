# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # The people and registrars of a domain object (RFC 9083 §5.1), with their vCards (RFC 7095).
      class Entities
        # How deep entities may lie within one another.
        DEEPEST = 3
        NUMBER = "IANA Registrar ID"
        # An address to write to; a placeholder or a web form's address is none.
        ADDRESS = /\A[^\s@<>()"]+@[^\s@<>()"]+\.[^\s@<>()".]+\z/
        Placed = Struct.new(:roles, :entity, :depth)

        # data: the domain object, a Hash.
        def initialize(data)
          @all = within(data, 0)
        end

        # The registrar's name as the record writes it, or its handle; nil where there is none.
        def registrar
          one = with("registrar").first or return
          name = property(one, "fn").find { |v| v.is_a?(String) && !v.strip.empty? }
          name || (one["handle"] if one["handle"].is_a?(String))
        end

        # The registrar's number, as text.
        def registrar_id
          ids = with("registrar").flat_map { |e| Array(e["publicIds"]) }
          found = ids.find { |i| i.is_a?(Hash) && i["type"].to_s.casecmp?(NUMBER) }
          found && found["identifier"].to_s[/\A\s*(\d+)\s*\z/, 1]
        end

        # The first address of those with a role, the preferred one before others; nil where none
        # can be written to.
        def email(role) = with(role).flat_map { |e| addresses(e) }.first

        private

        # Outer ones first.
        def with(role)
          @all
            .select { |f| f.roles.include?(role) }
            .sort_by
            .with_index { |f, i| [f.depth, i] }
            .map(&:entity)
        end

        def within(data, depth)
          return [] if depth > DEEPEST || !data["entities"].is_a?(Array)

          data["entities"]
            .grep(Hash)
            .flat_map do |e|
              [
                Placed.new(Array(e["roles"]).map { |r| r.to_s.downcase }, e, depth),
                *within(e, depth + 1)
              ]
            end
        end

        def addresses(entity)
          rows = card(entity).select { |p| p[0].to_s.casecmp?("email") }
          rows
            .sort_by
            .with_index { |p, i| [preference(p), i] }
            .flat_map { |p| p.drop(3) }
            .filter_map do |value|
              text = value.to_s.strip.sub(/\Amailto:/i, "").sub(/\?.*\z/, "")
              text if text.match?(ADDRESS)
            end
        end

        # RFC 6350 §5.3: from 1, the most wanted, to 100; RFC 2426 says “pref” among the types.
        def preference(row)
          said = row[1].is_a?(Hash) ? row[1] : {}
          number = Integer(said["pref"].to_s, 10, exception: false)
          number || (Array(said["type"]).any? { |t| t.to_s.casecmp?("pref") } ? 1 : 101)
        end

        def property(entity, name)
          card(entity).select { |p| p[0].to_s.casecmp?(name) }.map { |p| p[3] }
        end

        def card(entity)
          given = entity["vcardArray"]
          given.is_a?(Array) && given[1].is_a?(Array) ? given[1].grep(Array) : []
        end
      end
    end
  end
end
