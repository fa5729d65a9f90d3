// Boat yard at night: hulls on their cradles, wet ground, two lamps and a lit shed.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 6 }
camera { location <-1.2,1.75,-11> look_at <0.6,2.1,4> right x*image_width/image_height angle 58 }
sky_sphere { pigment { gradient y color_map { [0 rgb <0.040,0.040,0.060>][0.2 rgb <0.014,0.018,0.038>][0.7 rgb <0.004,0.006,0.016>] } }
  pigment { wrinkles turbulence 0.5 octaves 6 scale <0.6,0.12,0.4> color_map { [0 rgbt <0.06,0.045,0.045,0.35>][0.5 rgbt 1][1 rgbt 1] } } }
#macro Lamp(P,C) light_source { P rgb C area_light <0.4,0,0>,<0,0,0.4>,3,3 jitter adaptive 1 fade_distance 3.2 fade_power 2 looks_like { sphere { 0,0.13 pigment { rgb 1 } finish { ambient 0 emission C*0.9 } } } }
  difference { cone { P+<0,0.16,0>,0.40,P+<0,0.40,0>,0.08 } cone { P+<0,0.15,0>,0.37,P+<0,0.37,0>,0.05 } pigment { rgb 0.03 } finish { ambient 0 diffuse 0.6 } } #end
Lamp(<-3.3,5.3,2.2>,<13,8.4,4.0>)
Lamp(<5.6,5.7,6.5>,<9,10,9.6>)
light_source { <2.2,2.6,13.2> rgb <7,4.6,2.2> fade_distance 2.2 fade_power 2 }
light_source { <-30,40,-20> rgb <0.012,0.016,0.030> shadowless }
cylinder { <-3.3,0,2.5>,<-3.3,5.8,2.5>,0.07 pigment { rgb 0.05 } finish { ambient 0 diffuse 0.7 } } cylinder { <-3.3,5.75,2.5>,<-3.3,5.68,2.1>,0.04 pigment { rgb 0.05 } }
cylinder { <5.6,0,6.8>,<5.6,6.2,6.8>,0.07 pigment { rgb 0.05 } finish { ambient 0 diffuse 0.7 } }
// wet ground: puddles where the pattern is low, gravel elsewhere
plane { y,0 texture { wrinkles turbulence 0.5 octaves 6 scale <2.6,1,2.0> texture_map {
  [0.00 pigment { rgb <0.010,0.010,0.012> } normal { bumps 0.012 scale <0.3,1,0.3> } finish { ambient 0 diffuse 0.3 specular 0.6 roughness 0.002 reflection { 0.12,0.85 fresnel on } conserve_energy }]
  [0.32 pigment { rgb <0.014,0.014,0.016> } normal { bumps 0.02 scale <0.2,1,0.2> } finish { ambient 0 diffuse 0.3 specular 0.6 roughness 0.002 reflection { 0.12,0.8 fresnel on } conserve_energy }]
  [0.40 pigment { granite scale 0.22 color_map { [0 rgb <0.045,0.040,0.036>][1 rgb <0.13,0.115,0.10>] } } normal { granite 0.8 scale 0.10 } finish { ambient 0 diffuse 0.75 specular 0.25 roughness 0.02 reflection 0.02 }]
  [1.00 pigment { granite scale 0.16 color_map { [0 rgb <0.055,0.048,0.042>][1 rgb <0.16,0.14,0.12>] } } normal { granite 1.1 scale 0.08 } finish { ambient 0 diffuse 0.8 specular 0.12 roughness 0.04 }] } } interior { ior 1.33 } }
// a hull: the section narrows to keel and stem
#macro Hull(P,A,L,C1,C2,Z) union {
  #local HullShape = intersection {
    sphere { 0,1 scale <1,1.35,0.52> translate <0,0.62,0> }
    plane { y,0.62 } plane { -x,0.82 } }
  object { HullShape texture { gradient y texture_map {
     [0.30 pigment { granite scale 0.05 color_map { [0 rgb C1*0.75][1 rgb C1] } } normal { granite 0.05 scale 0.03 } finish { ambient 0 diffuse 0.75 specular 0.15 roughness 0.03 }]
     [0.30 pigment { rgb 0.42 } finish { ambient 0 diffuse 0.8 }] [0.325 pigment { rgb 0.42 } finish { ambient 0 diffuse 0.8 }]
     [0.325 pigment { granite scale 0.07 color_map { [0 rgb C2*0.82][1 rgb C2] } } finish { ambient 0 diffuse 0.75 specular 0.5 roughness 0.012 reflection 0.03 }] } scale <1,1.36,1> translate y*-0.73 } }
  difference { box { <-0.45,0.6,-0.26>,<0.25,0.86,0.26> } plane { <1,0.55,0>,0 translate <0.30,0.86,0> inverse } pigment { rgb <0.40,0.38,0.34> } finish { ambient 0 diffuse 0.8 } }
  #local k=0; #while (k<4) cylinder { <-0.36+k*0.15,0.74,-0.3>,<-0.36+k*0.15,0.74,0.3>,0.035 pigment { rgb <0.02,0.03,0.04> } finish { reflection 0.25 diffuse 0.2 ambient 0 } } #local k=k+1; #end
  #if (Z>0) cylinder { <0.12,0.6,0>,<0.12,0.6+Z,0>,0.014 pigment { rgb 0.35 } finish { ambient 0 diffuse 0.7 } } cylinder { <0.12,0.6+Z,0>,<0.97,0.64,0>,0.0035 pigment { rgb 0.3 } } cylinder { <0.12,0.6+Z,0>,<-0.8,0.62,0>,0.0035 pigment { rgb 0.3 } } cylinder { <0.12,0.6+Z*0.98,0>,<0.1,0.62,-0.5>,0.003 pigment { rgb 0.3 } } #end
  box { <-0.62,-0.78,-0.03>,<0.45,-0.62,0.03> pigment { rgb <0.08,0.05,0.04> } finish { ambient 0 diffuse 0.7 } }
  #local k=-1; #while (k<2) cylinder { <k*0.42,0.02,-0.46>,<k*0.42-0.04,-0.76,-0.66>,0.022 pigment { rgb <0.30,0.18,0.06> } finish { ambient 0 diffuse 0.7 } } cylinder { <k*0.42,0.02,0.46>,<k*0.42,-0.76,0.66>,0.022 pigment { rgb <0.30,0.18,0.06> } finish { ambient 0 diffuse 0.7 } } #local k=k+1; #end
  translate y*0.78 scale L rotate y*A translate P } #end
Hull(<-2.6,0,4.2>,24,3.0,<0.16,0.035,0.025>,<0.05,0.10,0.17>,2.6)
Hull(<3.4,0,4.6>,-32,2.7,<0.03,0.055,0.07>,<0.52,0.50,0.45>,0)
Hull(<9.6,0,10.5>,-14,3.3,<0.17,0.045,0.03>,<0.07,0.17,0.12>,2.4)
Hull(<-9.5,0,10>,40,3.2,<0.05,0.05,0.06>,<0.30,0.06,0.05>,2.2)
// shed with a lit doorway
difference { union { box { <-2.5,0,13>,<8,4.4,20> } prism { linear_sweep linear_spline 13,20,4,<-2.9,4.4>,<8.4,4.4>,<2.75,6.9>,<-2.9,4.4> rotate x*-90 scale <1,1,-1> } }
  box { <0.4,-1,12.9>,<4.1,3.3,19.5> } 
  pigment { gradient x scale 0.32 color_map { [0 rgb <0.075,0.055,0.045>][0.9 rgb <0.12,0.09,0.07>][0.93 rgb 0.02][1 rgb 0.02] } } normal { granite 0.3 scale <0.05,1,0.05> } finish { ambient 0 diffuse 0.8 } }
box { <1.1,0,16.5>,<1.9,1.1,17.3> pigment { rgb <0.3,0.2,0.1> } } box { <2.9,0,15.5>,<3.8,0.9,16.4> pigment { rgb <0.12,0.16,0.2> } }
// drums, planks, a ladder
#declare S=seed(5);
#declare i=0; #while (i<5) union { cylinder { <0,0,0>,<0,0.88,0>,0.29 } torus { 0.29,0.015 translate y*0.3 } torus { 0.29,0.015 translate y*0.6 } torus { 0.28,0.02 translate y*0.88 } pigment { rgb <0.10+0.2*rand(S),0.07+0.06*rand(S),0.05+0.1*rand(S)> } finish { ambient 0 diffuse 0.75 specular 0.3 roughness 0.03 } translate <-5.9+0.72*i*(1-0.2*rand(S)),0,1.2+1.4*rand(S)> } #declare i=i+1; #end
#declare i=0; #while (i<9) box { <-1.6,0,-0.1>,<1.6,0.045,0.1> pigment { granite scale <1.4,0.05,0.05> color_map { [0 rgb <0.14,0.09,0.05>][1 rgb <0.32,0.22,0.13>] } } finish { ambient 0 diffuse 0.8 } rotate y*(18+9*(rand(S)-0.5)) translate <1.0+0.1*rand(S),0.03+0.05*floor(i/3),0.4+0.24*mod(i,3)> } #declare i=i+1; #end
