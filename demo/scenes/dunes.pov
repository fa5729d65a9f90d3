// Dunes, wind from the west: long ridges with sharp crests and ripples, late light.
#version 3.7;
global_settings { assumed_gamma 1.0 }
camera { location <0,5.6,-15> look_at <0.5,2.6,6> right x*image_width/image_height angle 46 }
light_source { <-5200,1350,1500> rgb <2.5,2.05,1.5> }
light_source { <3000,5000,-4000> rgb <0.22,0.30,0.44> shadowless }
sky_sphere { pigment { gradient y color_map { [0 rgb <0.80,0.74,0.66>][0.10 rgb <0.62,0.70,0.78>][0.35 rgb <0.26,0.44,0.70>][1 rgb <0.08,0.20,0.48>] } }
 pigment { wrinkles turbulence 0.6 octaves 6 scale <0.7,0.07,0.4> translate 2 color_map { [0 rgbt <1,0.97,0.92,0.45>][0.4 rgbt 1][1 rgbt 1] } } }
fog { fog_type 2 distance 130 rgb <0.74,0.70,0.64> fog_offset 0 fog_alt 5 }
#declare B = function { pigment { bozo scale 0.17 turbulence 0.25 octaves 3 color_map { [0 rgb 0][1 rgb 1] } } }
#declare B2 = function { pigment { bozo scale 0.06 turbulence 0.2 color_map { [0 rgb 0][1 rgb 1] } } }
// an asymmetric saw: gentle to windward, steep in the lee
#declare Saw = function(u) { select((u-floor(u))-0.80, (u-floor(u))/0.80, (1-(u-floor(u)))/0.20) }
#declare Sm = function(u) { u*u*(3-2*u)*0.35+u*0.65 }
height_field { function 3200,3200 {
   0.62*Sm(Saw(4.6*(x*0.86+y*0.52) + 1.15*B(x,y,0).gray + 0.22*B2(x,y,0).gray))*(0.40+0.6*B(y,x,5).gray) + 0.22*B(x,y,2).gray } smooth
  translate <-0.5,0,0> scale <84,9.2,84> translate <2,-1.2,-17>
  pigment { granite scale 0.02 color_map { [0 rgb <0.56,0.34,0.185>][1 rgb <0.72,0.47,0.27>] } }
  normal { average normal_map { [3 ripples 0.0] [4 gradient x, 0.55 sine_wave turbulence 0.5 octaves 3 scale 0.21 rotate y*-28 ] [1 granite 0.12 scale 0.02] } }
  finish { ambient 0 diffuse 0.85 brilliance 1.1 } }
