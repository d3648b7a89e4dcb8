# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # One record: owner Name, TTL in seconds, Rdata. Class is always IN.
      Record =
        Struct.new(:name, :ttl, :rdata) do
          def initialize(name:, ttl:, rdata:) = super(name, ttl, rdata)
          def type = rdata.type
          def to_s = "#{name} #{ttl} IN #{type} #{rdata}"
        end
    end
  end
end
